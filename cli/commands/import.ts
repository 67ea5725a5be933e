import { Option, type Command } from 'commander'
import { jobToFile } from '@/core/kinds/job'
import { print } from '../files'
import { readJob } from '../job'

export function addImport(gable: Command): void {
  gable
    .command('import')
    .description('Checks a file and gives it back as a job of today’s version')
    .argument('<file>')
    .addOption(new Option('--as <form>').choices(['job']).default('job'))
    .action((file: string) => {
      const { job, weather, files, sheets } = readJob(file)
      print(jobToFile(job, weather, sheets, files))
    })
}
