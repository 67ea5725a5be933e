import { type Stage } from '../../graph/stage'
import { type World } from '../world'
import { type Account } from './account'
import { batteryPortAccount } from './battery-port'
import { cableAccount } from './cables'
import { connectionAccount } from './connection'
import { inverterAccount } from './inverter'
import { lightAccount } from './light'
import { moduleAccount } from './module'
import { moneyAccounts } from './money'
import { setbackAccount } from './setbacks'
import { shadedAccount } from './shaded'
import { siteAccount } from './site'
import { structureAccount } from './structure'
import { useAccount } from './use'
import { wiringAccount } from './wiring'

/** All that the chain tells a person, from sunlight to payback. */
export const accounts: readonly Stage<World, Account>[] = [
  siteAccount,
  setbackAccount,
  structureAccount,
  lightAccount,
  shadedAccount,
  moduleAccount,
  wiringAccount,
  cableAccount,
  connectionAccount,
  batteryPortAccount,
  inverterAccount,
  useAccount,
  ...moneyAccounts,
]
