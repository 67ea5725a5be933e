import { type LedgerLine } from './explanation'
import { type PipelineResult } from './pipeline'

const round = (value: number, digits = 1) => Number(value.toFixed(digits))

/** Nominal energy: what the modules would make of all light on them at their rated efficiency. */
export function sunOnModulesKwh(result: PipelineResult): number {
  let sum = 0
  result.laid.arrays.forEach((array, a) => {
    const light = result.light[a]
    if (light) sum += (light.parts.beam + light.parts.sky + light.parts.ground) * array.panels.length
  })
  return (sum * result.module.powerW) / 1000
}

/** Shade losses of the whole option in nominal kWh: by caster, and of the sky. */
export function shadeBill(result: PipelineResult): {
  readonly by: ReadonlyMap<string, number>
  readonly skyKwh: number
  readonly totalKwh: number
} {
  const by = new Map<string, number>()
  const perKwhM2 = result.module.powerW / 1000
  let skyKwh = 0
  for (const panels of result.panelLights)
    for (const { light } of panels) {
      skyKwh += light.skyLostKwhM2 * perKwhM2
      for (const [owner, lost] of Object.entries(light.lostTo))
        by.set(owner, (by.get(owner) ?? 0) + lost * perKwhM2)
    }
  const beam = [...by.values()].reduce((sum, kwh) => sum + kwh, 0)
  return { by, skyKwh, totalKwh: beam + skyKwh }
}

/** From sunlight to AC energy. Each loss stands once; those that a model computes are not in the entered ones. */
export function energyLines(result: PipelineResult): LedgerLine[] {
  const { dc, ac, losses, module, inverter, site, count } = result
  const sun = sunOnModulesKwh(result)
  const unshaded =
    result.panelLights.flat().reduce((sum, { light }) => sum + light.unshadedKwhM2, 0) *
    (module.powerW / 1000)
  const meant =
    result.panelLights.flat().reduce((sum, { light }) => sum + light.meanKwhM2, 0) * (module.powerW / 1000)
  const bill = shadeBill(result)
  const planes = result.laid.arrays.map((array, a) => {
    const parts = result.light[a]?.parts ?? { beam: 0, sky: 0, ground: 0 }
    return {
      label: `${array.panels.length} at ${array.plane.pitchDeg.toFixed(0)}° to ${array.plane.azimuthDeg.toFixed(0)}°`,
      value: round(parts.beam + parts.sky + parts.ground, 0),
      unit: 'kWh/m²',
    }
  })
  const line = (
    id: string,
    label: string,
    value: number,
    weight: LedgerLine['weight'],
    stage: string,
    explanation: LedgerLine['explanation'],
    about: readonly string[] = [],
  ): LedgerLine => ({
    id,
    group: 'sun',
    label,
    value,
    unit: 'kWh',
    weight,
    better: 'more',
    stage,
    explanation,
    about,
  })
  const arrays = result.laid.arrays.map((array) => array.id)
  return [
    line(
      'sun-on-modules',
      'Sun on modules',
      sun,
      'line',
      'irradiance',
      {
        formula: 'Σ planes: modules × rated power × irradiation on the plane ÷ 1 kW/m²',
        inputs: [
          ...planes,
          { label: 'Rated power', value: module.powerW, unit: 'W' },
          {
            label: 'Weather',
            value: result.input.station.name,
            unit: `${round(result.input.station.distanceM / 1000)} km away`,
          },
          { label: 'Albedo', value: site.albedo, unit: '' },
        ],
        source: 'Sun: Reda & Andreas 2004. Sky: Perez et al. 1990, all-sites composite.',
        assumptions: [
          'Typical year of the station, taken as it is for the site.',
          'Ground reflection from the whole foreground.',
        ],
      },
      arrays,
    ),
    line('reflection', 'Reflection', unshaded - sun, 'loss', 'irradiance', {
      formula: 'Σ light × (1 − share the glass lets through), for beam, sky and ground each',
      inputs: [{ label: 'ar of the glass', value: 0.16, unit: '' }],
      source: 'Martin & Ruiz 2001.',
      assumptions: ['Clean glass without texture.'],
    }),
    line(
      'shade',
      'Shade',
      meant - unshaded,
      'loss',
      'shade',
      {
        formula: 'Σ modules: blocked beam × lit share + dome × hidden share of the sky',
        inputs: [
          ...[...bill.by]
            .sort((a, b) => b[1] - a[1])
            .map(([owner, kwh]) => ({ label: nameOf(result, owner), value: round(kwh, 0), unit: 'kWh' })),
          { label: 'Sky hidden', value: round(bill.skyKwh, 0), unit: 'kWh' },
        ],
        source: 'Rays from 36 points of each module to the sun, every interval of the year.',
        assumptions: [
          'Crowns let their share through, month by month.',
          'No default shading loss is added: shade is computed here.',
        ],
      },
      [...bill.by.keys()],
    ),
    ...(dc.lostKwh.unwired > 0
      ? [
          line('unwired', 'Not wired', -dc.lostKwh.unwired, 'loss', 'dc', {
            formula: 'Σ light on the modules of strings that hang on no input',
            inputs: [
              {
                label: 'Strings without an input',
                value: result.wiring.strings.filter((string) => string.input < 0).length,
                unit: '',
              },
            ],
            source: 'The wiring: an inverter has so many inputs and no more.',
            assumptions: ['Until they are wired these modules cost money and yield nothing.'],
          }),
        ]
      : []),
    line('mismatch', 'Mismatch', -dc.lostKwh.mismatch, 'loss', 'dc', {
      formula: 'mean light − light at the best bypass step, in each module, then in each string',
      inputs: [
        { label: 'Strips behind bypass diodes', value: module.strips, unit: 'a module' },
        { label: 'Strings', value: result.wiring.strings.length, unit: '' },
      ],
      source: 'Staircase of bypassed series parts: the k best-lit work at the current of the k-th.',
      assumptions: ['The darkest sampled cell limits its group.', 'No default mismatch loss is added.'],
    }),
    line(
      'dirt',
      'Dirt',
      -dc.lostKwh.dirt,
      'loss',
      'dc',
      entered('light × soiling', 'Soiling', losses.soiling),
    ),
    line('heat', 'Heat', -dc.lostKwh.heat, 'loss', 'dc', {
      formula: 'P × γ × (T − 25 °C), T = air + G ÷ (u0 + u1 · wind)',
      inputs: [
        { label: 'γ of the module', value: round(module.powerPerK * 100, 2), unit: '% a kelvin' },
        { label: 'u0, u1, close to the roof', value: '16.6, 0.85', unit: 'W/m²K, Ws/m³K' },
      ],
      source: 'Faiman 2008, coefficients after King et al. 2004; data sheet of the module.',
      assumptions: ['Linear in temperature; low light taken as efficient as full light.'],
    }),
    line(
      'wiring',
      'Module and wiring',
      -(dc.lostKwh.lightInduced + dc.lostKwh.nameplate + dc.lostKwh.wiring + dc.lostKwh.connections),
      'loss',
      'dc',
      {
        formula: 'P × (1 − (1 − a)(1 − b)(1 − c)(1 − d))',
        inputs: [
          { label: 'Light-induced', value: round(losses.lightInduced * 100), unit: '%' },
          { label: 'Nameplate', value: round(losses.nameplate * 100), unit: '%' },
          { label: 'Wiring', value: round(losses.wiring * 100), unit: '%' },
          { label: 'Connections', value: round(losses.connections * 100), unit: '%' },
        ],
        source: 'Entered; defaults after Dobos 2014, table 5.',
        assumptions: ['The first year; ageing comes with the years of the offer.'],
      },
    ),
    line('inverter', 'Inverter', -(ac.inverterLostKwh + ac.nightKwh), 'loss', 'ac', {
      formula: 'η(load) = η/0.9637 · (−0.0162 ζ − 0.0059/ζ + 0.9858), and its own use at night',
      inputs: [
        { label: inverter.name, value: round(inverter.efficiency * 100), unit: '%' },
        { label: 'Night use', value: round(ac.nightKwh), unit: 'kWh' },
      ],
      source: 'Dobos 2014, eq. 11; data sheet.',
      assumptions: [],
    }),
    line('clipping', 'Clipping', -ac.clippedKwh, 'loss', 'ac', {
      formula: 'what passes the rated AC power, interval by interval',
      inputs: [
        { label: 'Rated AC power', value: round(inverter.acPowerW / 1000, 2), unit: 'kW' },
        { label: 'Module power', value: round(result.powerW / 1000, 2), unit: 'kW' },
      ],
      source: 'Data sheet of the inverter.',
      assumptions: ['Means of an hour: shorter peaks are not seen.'],
    }),
    line(
      'availability',
      'Standstill',
      -ac.unavailableKwh,
      'loss',
      'ac',
      entered('AC energy × standstill', 'Standstill', losses.availability),
    ),
    line('yield', 'Yield', ac.kwh, 'total', 'ac', {
      formula: 'sun on modules less all losses above',
      inputs: [
        { label: 'Modules', value: count, unit: '' },
        {
          label: 'A kilowatt of modules gives',
          value: round(result.powerW > 0 ? (ac.kwh / result.powerW) * 1000 : 0, 0),
          unit: 'kWh',
        },
        { label: 'Performance ratio', value: round(sun > 0 ? (ac.kwh / sun) * 100 : 0), unit: '%' },
      ],
      source: 'The lines above.',
      assumptions: ['The first year.'],
    }),
  ]
}

const entered = (formula: string, label: string, share: number) => ({
  formula,
  inputs: [{ label, value: round(share * 100), unit: '%' }],
  source: 'Entered; default after Dobos 2014, table 5.',
  assumptions: [],
})

/** What the user calls an object; its id when it has no name. */
export function nameOf(result: PipelineResult, id: string): string {
  const object = result.input.house[id]
  return object && 'name' in object ? object.name : id
}
