import { townAnswer } from './answers'

/** Asks the made-up world without a server between; for tests. */
export const askTown = async (path: string) => {
  const [at = '', query = ''] = path.split('?')
  const { status, body } = townAnswer(at, new URLSearchParams(query))
  return { status, text: async () => body }
}
