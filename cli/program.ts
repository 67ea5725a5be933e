import { Command } from 'commander'
import { addJobCommands } from './commands/job'
import { addPoa } from './commands/poa'
import { addLayout } from './commands/layout'
import { addRoof } from './commands/roof'
import { addSun } from './commands/sun'
import { addWeather } from './commands/weather'
import { addYield } from './commands/yield'

/** `gable`: the core from a terminal. */
export function program(): Command {
  const gable = new Command('gable')
    .description('The core of Tall Gable from a terminal: JSON in, JSON out.')
    .exitOverride()
    .configureOutput({ writeErr: () => undefined })
    .showHelpAfterError(false)
  for (const add of [addSun, addWeather, addPoa, addYield, addRoof, addLayout, addJobCommands]) add(gable)
  for (const command of gable.commands) command.exitOverride().configureOutput({ writeErr: () => undefined })
  return gable
}
