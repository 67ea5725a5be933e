import { townAnswer } from './answers'

/** Asks the made-up world without a server between; for tests. */
export const askTown = async (path: string) => {
  const [at = '', query = ''] = path.split('?')
  const { status, body } = townAnswer(at, new URLSearchParams(query))
  const bytes = typeof body === 'string' ? new TextEncoder().encode(body) : body
  return {
    status,
    text: async () => new TextDecoder().decode(bytes),
    arrayBuffer: async () => bytes.slice().buffer,
  }
}
