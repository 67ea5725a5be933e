import { figuresOf } from '../compute/compute'
import { designInput } from '../design-input'
import { log } from '../log'
import { printer } from '../print/printer'
import { answering, shippedJob } from '../warm-up'

/** Has at hand what the first work will need: the shipped job's weather and numbers, and the browser that prints. */
export async function warmWorker(): Promise<void> {
  try {
    await answering()
    const job = shippedJob()
    const option = job.options[0]?.objects
    if (option) await figuresOf(await designInput('', job.house, option))
    printer().warm()
  } catch (error) {
    // Only a head start: everything is made again when it is asked for.
    log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'worker warm-up')
  }
}
