import { type LossName } from '@/core/energy/loss-chain'
import { type LineId } from '@/core/model/ledger'

type Messages<C extends string> = Readonly<Record<C, string>>

/** What the lines of the ledger are called. */
export const lines = {
  'sun-on-modules': 'Sun on modules',
  reflection: 'Reflection',
  shade: 'Shade',
  unwired: 'Not connected',
  mismatch: 'Mismatch',
  snow: 'Snow',
  dirt: 'Soiling',
  'low-light': 'Low light',
  heat: 'Heat',
  window: 'Voltage window',
  optimizers: 'Optimizers',
  wiring: 'Modules and wiring',
  inverter: 'Inverter',
  'own-draw': 'Inverter’s own draw',
  clipping: 'Clipping',
  availability: 'Downtime',
  yield: 'Yield',
  used: 'Used at home',
  sold: 'Sold',
  curtailed: 'Curtailed',
  bought: 'Bought',
  consumption: 'Consumption',
  'self-sufficiency': 'Self-sufficiency',
  'battery-loss': 'Battery losses',
  'bill-now': 'Bill now',
  'bill-then': 'Bill with solar',
  saving: 'Saving',
  price: 'Price',
  'net-price': 'Net price',
  payback: 'Payback',
  npv: 'Net present value',
  irr: 'Return (IRR)',
  lcoe: 'Cost per kWh (LCOE)',
} satisfies Messages<LineId>

/** What the steps of the chain are called, where each stands by itself. */
export const losses = {
  reflection: 'Reflection',
  shade: 'Shade',
  unwired: 'Not connected',
  mismatch: 'Mismatch',
  snow: 'Snow',
  dirt: 'Soiling',
  'low-light': 'Low light',
  heat: 'Heat',
  window: 'Voltage window',
  optimizers: 'Optimizers',
  'light-induced': 'Light-induced',
  nameplate: 'Nameplate',
  wiring: 'Wiring',
  connections: 'Connections',
  other: 'Other',
  inverter: 'Inverter',
  'own-draw': 'Inverter’s own draw',
  clipping: 'Clipping',
  downtime: 'Downtime',
} satisfies Messages<LossName>
