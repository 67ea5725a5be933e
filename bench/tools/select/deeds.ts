import { type ToolContext } from '../chart'
import { chooseAll } from './choose-all'
import { duplicateSelected } from './duplicate'
import { joinSelected } from './join'
import { lockOrUnlock } from './lock'
import { mirrorSelected } from './mirror'

/** What the keyboard does with all that is selected. */
export const deeds = {
  duplicate: duplicateSelected,
  'choose-all': chooseAll,
  'flip-east': (context: ToolContext) => mirrorSelected(context, 'east-west'),
  'flip-north': (context: ToolContext) => mirrorSelected(context, 'north-south'),
  lock: lockOrUnlock,
  join: joinSelected,
} satisfies Readonly<Record<string, (context: ToolContext) => unknown>>

export type Deed = keyof typeof deeds
