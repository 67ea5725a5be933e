import { type InverterType, type ModuleType, type OptimizerType } from '../../electrical/catalogue'
import { onOne, ratioRules, type RatedLoad, type RuleFigure } from '../../electrical/rules'
import {
  branchRule,
  devicesOnBranches,
  microRules,
  optimizedStringRules,
  optimizerRules,
  type UnitRuleCode,
} from '../../electrical/unit-rules'
import { type Electrical } from '../../kinds/electrical/electrical'
import { type Check } from '../../model/ledger'
import { type Quantity, type Unit } from '../../model/said'
import { type Wiring } from '../strings'
import { automaticFor } from './automatic'

type Module = Pick<ModuleType, 'id' | 'iscA' | 'powerW'>

const unitOf = {
  'unit-cold': 'V',
  'unit-peak': 'V',
  'unit-hot': 'V',
  'unit-current': 'A',
  'unit-power': 'W',
  'optimizers-few': 'count',
  'optimizers-many': 'count',
  'optimizers-power': 'W',
  'branch-many': 'A',
} as const satisfies Readonly<Record<UnitRuleCode, Unit>>

/** What only costs energy; the others are limits of the devices. */
const soft: ReadonlySet<string> = new Set(['unit-hot', 'unit-peak'])

function unitChecks(
  rules: readonly RuleFigure<string>[],
  data: Check['data'],
  more: Partial<Pick<Check, 'objects' | 'remedy'>> & { readonly at?: string } = {},
): Check[] {
  return rules.flatMap(({ code, figure, limit, ok }): Check[] => {
    if (ok || !isUnitCode(code)) return []
    const unit = unitOf[code]
    const quantity = (value: number): Quantity => ({ value, unit, digits: unit === 'A' ? 1 : 0 })
    return [
      {
        id: more.at === undefined ? code : `${code}-${more.at}`,
        code,
        data: { ...data, figure: quantity(figure), limit: quantity(limit) },
        severity: soft.has(code) ? 'warning' : 'broken',
        measured: { figure, limit, unit },
        objects: more.objects ?? [],
        ...(more.remedy ? { remedy: more.remedy } : {}),
      },
    ]
  })
}

const isUnitCode = (code: string): code is UnitRuleCode => code in unitOf

const about = (module: Module, deviceId: string, lowestC: number): Check['data'] => ({
  module: { ref: module.id },
  device: { ref: deviceId },
  coldest: { value: lowestC, unit: '°C' },
})

type AtModule = Pick<
  OptimizerType,
  'id' | 'powerW' | 'highestV' | 'mppLowV' | 'mppHighV' | 'inputShortCurrentA'
>

/** Whether modules suit the step-down optimizers that some of them have. */
export const stepDownChecks = (
  module: Module,
  { window, optimized }: Wiring,
  optimizer: AtModule,
  lowestC: number,
): Check[] =>
  unitChecks(optimizerRules(module, window, optimizer), about(module, optimizer.id, lowestC), {
    objects: optimized,
  })

/** Whether modules suit their optimizers, and strings of them the inverter. */
export function optimizerChecks(
  module: Module,
  { strings, window }: Wiring,
  optimizer: AtModule & Pick<OptimizerType, 'mostPerString' | 'stringPowerW'>,
  lowestC: number,
  drawn: Electrical['drawn'],
): Check[] {
  const data = about(module, optimizer.id, lowestC)
  return [
    ...unitChecks(optimizerRules(module, window, optimizer), data),
    ...strings
      .filter(({ input }) => input >= 0)
      .flatMap((string) => {
        const { id, panelIds } = string
        return unitChecks(
          optimizedStringRules(panelIds.length, module.powerW, window.fewest, optimizer),
          { ...data, string: id, modules: panelIds.length },
          { at: id, objects: panelIds, remedy: automaticFor([string], drawn) },
        )
      }),
  ]
}

/** Whether modules suit their microinverters. */
export function microChecks(
  module: Module,
  { window }: Wiring,
  inverter: Parameters<typeof microRules>[2] & Pick<InverterType, 'id'>,
  lowestC: number,
): Check[] {
  return [
    ...unitChecks(microRules(module, window, inverter), about(module, inverter.id, lowestC)),
    ...ratioChecks(onOne(module.powerW * inverter.mppInputs), inverter),
  ]
}

/** Whether each branch of microinverters stays under what its breaker bears. @param voltsV that they are connected to */
export function branchChecks(
  { strings, devices }: Wiring,
  inverter: Pick<InverterType, 'id' | 'acPowerW' | 'micro'>,
  voltsV: number,
  drawn: Electrical['drawn'],
): Check[] {
  const breakerA = inverter.micro?.branchBreakerA
  if (breakerA === undefined) return []
  const counts = devicesOnBranches(strings, devices)
  return strings.flatMap((branch, b) => {
    const { id, panelIds } = branch
    const count = counts[b] ?? 0
    return unitChecks(
      [branchRule(count, inverter, breakerA, voltsV)],
      {
        string: id,
        devices: count,
        device: { ref: inverter.id },
        breaker: { value: breakerA, unit: 'A', digits: 0 },
      },
      { at: id, objects: panelIds, remedy: automaticFor([branch], drawn) },
    )
  })
}

/** Module power against the AC power of what it hangs on. */
export function ratioChecks(
  load: RatedLoad,
  inverter: Pick<InverterType, 'acPowerW' | 'highestDcAc'>,
): Check[] {
  const broken = ratioRules(load, inverter).find(({ ok }) => !ok)
  if (!broken) return []
  const high = broken.code === 'dc-ac-high'
  const [powerW, acW] = high
    ? [load.fullestW, inverter.acPowerW]
    : [load.powerW, load.inverters * inverter.acPowerW]
  return [
    {
      id: 'dc-ac',
      code: high ? 'dc-ac-high' : 'dc-ac-low',
      data: {
        modules: { value: powerW / 1000, unit: 'kW', digits: 2 },
        inverter: { value: acW / 1000, unit: 'kW', digits: 2 },
      },
      severity: high ? 'broken' : 'note',
      measured: { figure: broken.figure, limit: broken.limit, unit: 'ratio' },
      objects: [],
    },
  ]
}
