import { basename, extname } from 'node:path'
import { Option, type Command } from 'commander'
import { readModel } from '@/core/imports/model/read-model'
import { bodyFrom } from '@/core/kinds/body/body-from'
import { jobToFile } from '@/core/kinds/job'
import { Fault } from '@/core/model/fault'
import { print, readBytes } from '../files'
import { readJob } from '../job'

interface Options {
  readonly as: 'job' | 'model'
  readonly unit?: keyof typeof units
  readonly up?: 'y' | 'z'
}

const units = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ft: 0.3048 } as const

export function addImport(gable: Command): void {
  gable
    .command('import')
    .description(
      'Checks a file and gives it back as a job of today’s version, or a 3D model (OBJ, glTF, IFC) as an object for one',
    )
    .argument('<file>')
    .addOption(new Option('--as <form>').choices(['job', 'model']).default('job'))
    .addOption(new Option('--unit <unit>', 'of a model that does not say it').choices(Object.keys(units)))
    .addOption(new Option('--up <axis>', 'of a model that does not say it').choices(['y', 'z']))
    .action(async (file: string, options: Options) => {
      if (options.as === 'model') return print(await modelObject(file, options))
      const { job, weather, files, sheets } = readJob(file)
      print(jobToFile(job, weather, sheets, files))
    })
}

/** @throws Fault of `readModel` and `stoodModel`, `model-unit`, `model-up` */
async function modelObject(file: string, { unit, up }: Options) {
  const model = await readModel(readBytes(file))
  const metresPerUnit = model.metresPerUnit ?? (unit && units[unit])
  if (metresPerUnit === undefined) throw new Fault('model-unit', {}, file)
  const axis = model.up ?? up
  if (axis === undefined) throw new Fault('model-up', {}, file)
  const name = basename(file, extname(file)).slice(0, 80) || 'Model'
  return bodyFrom(model, { id: 'body-1', name, metresPerUnit, up: axis })
}
