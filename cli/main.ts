import { CommanderError } from 'commander'
import { Fault } from '@/core/model/fault'
import { program } from './program'

/** Bad input ends with 2 and says why on stderr as JSON; everything else is a fault of ours and ends with 1. */
function complain(code: string, message: string, path: string): void {
  process.stderr.write(`${JSON.stringify({ error: { code, message, path } })}\n`)
  process.exitCode = 2
}

try {
  await program().parseAsync()
} catch (error) {
  if (error instanceof Fault) complain(error.code, error.message, error.path)
  else if (error instanceof CommanderError) {
    if (error.exitCode !== 0)
      complain(error.code.replace('commander.', ''), error.message.replace(/^error: /, ''), '')
  } else throw error
}
