import { createServer } from 'node:http'
import { askedAgain, overHttp, textFrom } from './ask'

test('a connection that dies is no answer: the question is asked once more, and no more than that', async () => {
  let asked = 0
  let dying = 1
  const server = createServer((request, response) => {
    if (++asked <= dying) request.socket.destroy()
    else response.end('here')
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const address = server.address()
  if (address === null || typeof address === 'string') throw new Error('a port of loopback')
  const ask = askedAgain(overHttp(`http://127.0.0.1:${address.port}`))
  expect(await textFrom(ask, 'x')).toBe('here')
  expect(asked).toBe(2)
  dying = 99
  await expect(textFrom(ask, 'x')).rejects.toMatchObject({ code: 'service-away' })
  expect(asked).toBe(4)
  server.close()
})
