import { type Command } from 'commander'
import { z } from 'zod'
import { hottestRiseK, mountHeat } from '@/core/energy/cell-temperature'
import { fitDiode } from '@/core/energy/fit-diode'
import { diodeAt, maximumPower } from '@/core/energy/single-diode'
import { stringUpWith } from '@/core/electrical/by-hand'
import { wiringRules } from '@/core/electrical/rules'
import { inputPlace, type SideBySide } from '@/core/electrical/side-by-side'
import { mostStrung } from '@/core/electrical/string-search'
import { lengthsFor, parallelStrings, stringWindow, type PanelString } from '@/core/electrical/stringing'
import { mostInverters } from '@/core/kinds/electrical/electrical'
import { ruleMessage } from '@/core/model/rules'
import { addCaseCommand, type Question } from '../case-command'
import { badCase } from '../english'
import { microBranches, microCase, moduleRules, optimizedStrings, optimizerCase } from './wire-units'

const positive = z.number().positive().max(1e6)
const perK = z.number().min(-0.02).max(0.02)
const airC = z.number().min(-70).max(60)

const schema = z.object({
  module: z.object({
    powerW: positive.optional(),
    vocV: positive,
    vmpV: positive,
    iscA: positive,
    impA: positive,
    vocPerK: perK,
    powerPerK: perK.default(-0.0035),
    iscPerK: perK.default(0.0005),
  }),
  inverter: z.object({
    acPowerW: positive,
    mppInputs: z.number().int().min(1).max(100),
    stringsPerInput: z.number().int().min(1).max(60).default(1),
    highestV: positive,
    mppLowV: positive,
    mppHighV: positive,
    startV: z.number().min(0).default(0),
    inputCurrentA: positive,
    inputShortCurrentA: positive.exactOptional(),
    highestDcAc: positive.default(1.5),
    micro: microCase.optional(),
  }),
  /** So many of them side by side. */
  inverters: z.number().int().min(1).max(mostInverters).default(1),
  optimizer: optimizerCase.optional(),
  site: z
    .object({
      lowestTemperatureC: airC,
      highestTemperatureC: airC,
      /** Cells in full sun on the hottest day; from the mounting where it is not given. */
      highestCellC: z.number().min(0).max(120).optional(),
    })
    .refine(({ lowestTemperatureC: low, highestTemperatureC: high }) => low <= high, {
      path: ['highestTemperatureC'],
      error: ruleMessage('not-under-lowest'),
    }),
  fields: z
    .array(
      z.object({
        modules: z.number().int().min(0).max(mostStrung),
        tiltDeg: z.number().min(0).max(90),
        azimuthDeg: z.number().min(-360).max(720),
      }),
    )
    .min(1)
    .max(500),
  mount: z.enum(['close', 'raised', 'open']).default('close'),
  /** Greatest number in a string; null lets the window decide. */
  modulesPerString: z.number().int().min(1).max(200).nullable().default(null),
})
type WireCase = z.infer<typeof schema>

/** Modules are named by the place of their field. */
const fieldOf = (panelId: string): number => Number(panelId.split('/')[0])

/** Fields that face one way share strings. */
function directions(fields: WireCase['fields']): string[][] {
  const groups = new Map<string, string[]>()
  fields.forEach(({ modules, tiltDeg, azimuthDeg }, f) => {
    const turn = ((azimuthDeg % 360) + 360) % 360
    const key = `${tiltDeg.toFixed(1)} ${tiltDeg < 0.05 ? '' : (turn % 360).toFixed(1)}`
    const group = groups.get(key) ?? []
    for (let i = 0; i < modules; i++) group.push(`${f}/${i}`)
    groups.set(key, group)
  })
  return [...groups.values()]
}

/** The ids of each field's modules. */
const modulesOf = (fields: WireCase['fields']): string[][] =>
  fields.map(({ modules }, f) => Array.from({ length: modules }, (_, i) => `${f}/${i}`))

function answer(wire: WireCase): object {
  const { module, inverter, inverters, optimizer, site, fields, mount, modulesPerString } = wire
  if (inverters > 1 && inverter.micro) throw badCase('inverters', 'not-with-micro', {})
  if (optimizer && inverter.micro) throw badCase('optimizer', 'not-with-micro', {})
  if (fields.reduce((sum, { modules }) => sum + modules, 0) > mostStrung)
    throw badCase('fields', 'modules-together', { limit: mostStrung })
  const model = fitDiode(module)
  const power = { volts: (light: number, cellC: number) => maximumPower(diodeAt(model, light, cellC)).voltsV }
  const hottestC = site.highestCellC ?? site.highestTemperatureC + hottestRiseK(mountHeat[mount])
  const beside = { inverters, mppInputs: inverter.mppInputs }
  const powerW = module.powerW ?? module.vmpV * module.impA
  const at = { lowestC: site.lowestTemperatureC, hottestC }
  if ((optimizer && !optimizer.stepDown) || inverter.micro) {
    const held = { ...module, powerW }
    const { micro } = inverter
    const strung = optimizer
      ? optimizedStrings(
          directions(fields),
          modulesPerString,
          held,
          power,
          inverter,
          optimizer,
          at,
          inverters,
        )
      : micro && microBranches(modulesOf(fields), modulesPerString, held, power, inverter, micro, at)
    if (strung) return unitAnswer(strung, hottestC, beside)
  }
  const window = stringWindow(module, power, inverter, site.lowestTemperatureC, hottestC)
  const { strings } = stringUpWith([], directions(fields), {
    ...lengthsFor(window, modulesPerString),
    inputs: inverters * inverter.mppInputs,
    inverters,
    parallel: parallelStrings(inverter, module.iscA),
  })
  const wired = strings.filter(({ input }) => input >= 0)
  return {
    window: { least: window.fewest, most: window.most, ...voltsOf(window), highestCellC: hottestC },
    strings: wired.map(({ id, input, panelIds }) => ({
      name: id,
      ...inputOf(input, beside),
      modules: panelIds.length,
      fields: [...new Set(panelIds.map(fieldOf))],
      coldVocV: panelIds.length * window.coldVocV,
      coldVmpV: panelIds.length * window.coldVmpV,
      hotVmpV: panelIds.length * window.hotVmpV,
    })),
    left: leftOf(strings),
    checks: [
      ...wiringRules(strings, window, { iscA: module.iscA, powerW }, inverter, inverters),
      ...(optimizer ? moduleRules({ iscA: module.iscA, powerW }, window, optimizer) : []),
    ],
  }
}

/** From 1; of several inverters an input is told by both. */
const inputOf = (input: number, beside: SideBySide) =>
  beside.inverters > 1 ? inputPlace(input, beside) : { input: input + 1 }

/** Volts are those of one module: what holds it holds it alone. */
function unitAnswer(
  { window, strings, devices, checks }: ReturnType<typeof microBranches>,
  highestCellC: number,
  beside: SideBySide,
) {
  const wired = strings.filter(({ input }) => input >= 0)
  return {
    window: { least: window.fewest, most: window.most, ...voltsOf(window), highestCellC },
    strings: wired.map(({ id, input, panelIds }, s) => ({
      name: id,
      ...inputOf(input, beside),
      modules: panelIds.length,
      ...(devices.length > 0 ? { devices: devices[s] ?? 0 } : {}),
      fields: [...new Set(panelIds.map(fieldOf))],
    })),
    left: leftOf(strings),
    checks,
  }
}

/** Modules that hang on no input, by their field. */
function leftOf(strings: readonly PanelString[]): object[] {
  const left = strings.filter(({ input }) => input < 0).flatMap(({ panelIds }) => panelIds.map(fieldOf))
  return [...new Set(left)].map((field) => ({ field, modules: left.filter((f) => f === field).length }))
}

const voltsOf = ({ coldVocV, coldVmpV, hotVmpV }: ReturnType<typeof stringWindow>) => ({
  coldVocV,
  coldVmpV,
  hotVmpV,
})

export const wireQuestion: Question<WireCase> = { schema, answer }

export function addWire(gable: Command): void {
  addCaseCommand(gable.command('wire').description('Strings of modules on an inverter'), wireQuestion)
}
