import { Command } from 'commander'
import { addAfter } from './commands/after'
import { addBill } from './commands/bill'
import { addDiagram } from './commands/diagram'
import { addDispatch } from './commands/dispatch'
import { addExport } from './commands/export'
import { addFinance } from './commands/finance'
import { addFit } from './commands/fit'
import { addImport } from './commands/import'
import { addLayout } from './commands/layout'
import { addLoad } from './commands/load'
import { addOffer, addVerify } from './commands/verify'
import { addPapers } from './commands/papers'
import { addParts } from './commands/parts'
import { addPoa } from './commands/poa'
import { addRoof } from './commands/roof'
import { addRun } from './commands/run'
import { addShade } from './commands/shade'
import { addSun } from './commands/sun'
import { addTown } from './commands/town'
import { addWire } from './commands/wire'
import { addWeather } from './commands/weather'
import { addYield } from './commands/yield'

const commands = [
  addSun,
  addWeather,
  addPoa,
  addYield,
  addWire,
  addDiagram,
  addPapers,
  addAfter,
  addParts,
  addLoad,
  addBill,
  addDispatch,
  addRoof,
  addFit,
  addLayout,
  addShade,
  addFinance,
  addOffer,
  addVerify,
  addRun,
  addExport,
  addImport,
  addTown,
]

/** `gable`: the core from a terminal. */
export function program(): Command {
  const gable = new Command('gable')
    .description('The core of Tall Gable from a terminal: JSON in, JSON out.')
    .exitOverride()
    .configureOutput({ writeErr: () => undefined })
    .showHelpAfterError(false)
  for (const add of commands) add(gable)
  for (const command of gable.commands) command.exitOverride().configureOutput({ writeErr: () => undefined })
  return gable
}
