import { CommanderError } from 'commander'
import { Fault } from '@/core/model/fault'
import { complaint, type Complaint } from './english'
import { program } from './program'

/** Bad input ends with 2 and says why on stderr as JSON; everything else is a fault of ours and ends with 1. */
function complain(said: Complaint): void {
  process.stderr.write(`${JSON.stringify(said)}\n`)
  process.exitCode = 2
}

try {
  await program().parseAsync()
} catch (error) {
  if (error instanceof Fault) complain(complaint(error))
  else if (error instanceof CommanderError) {
    if (error.exitCode !== 0)
      complain({
        error: {
          code: error.code.replace('commander.', ''),
          message: error.message.replace(/^error: /, ''),
          path: '',
        },
      })
  } else throw error
}
