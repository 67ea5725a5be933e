import { spawn } from 'node:child_process'
import { createServer } from 'node:http'
import { buildIfChanged } from './parts/build.mjs'
import { inRoot, root } from './parts/folders.mjs'
import { startTestServer } from './parts/test-server.mjs'

await buildIfChanged()
const server = await startTestServer('browser')

// The tests take the server and the database away and bring them back through this door.
const door = createServer((request, response) => {
  const acts = {
    '/stop-app': server.stopApp,
    '/start-app': server.startAppAgain,
    '/kill-worker': async () => server.killWorker(),
    '/start-worker': async () => server.startWorkerAgain(),
    '/stop-database': server.stopDatabase,
    '/start-database': server.restartDatabase,
    '/freeze-database': async () => server.database.freeze(),
    '/thaw-database': async () => server.database.thaw(),
    '/read-only': async () => server.database.setReadOnly(true),
    '/writable': async () => server.database.setReadOnly(false),
    '/disk-full': async () => server.database.setFull(true),
    '/disk-free': async () => server.database.setFull(false),
  }
  const act = acts[request.url ?? '']
  if (!act) return response.writeHead(404).end()
  act().then(
    () => response.writeHead(204).end(),
    (error) => response.writeHead(500).end(String(error)),
  )
})
await new Promise((done) => door.listen(0, '127.0.0.1', done))

const run = spawn(
  'node',
  [inRoot('node_modules/@playwright/test/cli.js'), 'test', ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, BASE_URL: server.address, TEST_DOOR: `http://127.0.0.1:${door.address().port}` },
  },
)
const code = await new Promise((done) => run.once('exit', (status) => done(status ?? 1)))
door.close()
await server.stop()
process.exit(code)
