import { buildThreads } from './threads.mjs'

/** Tests meet the threads as they are built for the application. */
export default buildThreads
