import { mountNames } from '../model/kinds/array'
import { mountHeat } from '../energy/cell-temperature'
import { type Losses } from '../model/kinds/losses'
import { type LedgerLine } from './explanation'
import { type LossName } from './loss-chain'
import { type PipelineResult } from './pipeline'

const round = (value: number, digits = 1) => Number(value.toFixed(digits))

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
  const { chain, ac, losses, module, inverter, site, count, diode, laid } = result
  const sun = chain.sun.kwh
  const bill = shadeBill(result)
  const lost = (name: LossName) => chain.lost[name].kwh
  const planes = laid.arrays.map((array, a) => {
    const parts = result.light[a]?.parts ?? { beam: 0, sky: 0, ground: 0 }
    return {
      label: array.tracker
        ? `${array.panels.length} turning after the sun`
        : `${array.panels.length} at ${array.plane.pitchDeg.toFixed(0)}° to ${array.plane.azimuthDeg.toFixed(0)}°`,
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
  const snowKnown = result.input.weather.snowDepthM !== null
  const { station, weather } = result.input
  const entries = energyInputs(losses)
  const optional = (shown: boolean, made: () => LedgerLine) => (shown ? [made()] : [])
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
          { label: 'Weather', value: station.name, unit: `${round(station.distanceM / 1000)} km away` },
          {
            label: 'Albedo',
            value: weather.albedo ? 'as measured' : range(site.albedoByMonth),
            unit: snowKnown && !weather.albedo ? '0.65 on snow' : '',
          },
        ],
        source: `Sun: Reda & Andreas 2004. Sky: ${site.skyModel === 'perez' ? 'Perez et al. 1990, all-sites composite' : 'Hay & Davies 1980'}.`,
        assumptions: [
          'Typical year of the station, taken as it is for the site.',
          'Ground reflection from the whole foreground.',
        ],
      },
      laid.arrays.map((array) => array.id),
    ),
    line('reflection', 'Reflection', -lost('reflection'), 'loss', 'irradiance', {
      formula: 'Σ light × (1 − share the glass lets through), for beam, sky and ground each',
      inputs: [{ label: 'ar of the glass', value: 0.16, unit: '' }],
      source: 'Martin & Ruiz 2001.',
      assumptions: ['Clean glass without texture.'],
    }),
    line(
      'shade',
      'Shade',
      -lost('shade'),
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
          ...(laid.arrays.some((array) => array.tracker)
            ? [
                'Turning racks: shade as seen from the rack at rest; rows do not shade each other while they turn back.',
              ]
            : []),
        ],
      },
      [...bill.by.keys()],
    ),
    ...optional(lost('unwired') > 0, () =>
      line('unwired', 'Not wired', -lost('unwired'), 'loss', 'dc', {
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
    ),
    line('mismatch', 'Mismatch', -lost('mismatch'), 'loss', 'dc', {
      formula: 'mean light − even light that all strips of a string would need to give as much',
      inputs: [
        { label: 'Strips behind bypass diodes', value: module.strips, unit: 'a module' },
        { label: 'Strings', value: result.wiring.strings.length, unit: '' },
      ],
      source: 'Staircase of bypassed strips in series: the k best-lit work at the current of the k-th.',
      assumptions: ['The darkest sampled cell limits its group.', 'No default mismatch loss is added.'],
    }),
    ...optional(snowKnown || losses.snow.some((share) => share > 0), () =>
      line(
        'snow',
        'Snow',
        -lost('snow'),
        'loss',
        'dc',
        snowKnown
          ? {
              formula:
                'covered rows of cells ÷ rows; slides by 0.197 × sin tilt an hour when air > −G ÷ 80 °C',
              inputs: [
                {
                  label: 'Hours with snow on the ground',
                  value: round(
                    ((weather.snowDepthM?.filter((depth) => depth > 0).length ?? 0) * weather.stepMinutes) /
                      60,
                    0,
                  ),
                  unit: 'h',
                },
              ],
              source: 'Marion et al. 2013; snow depth of the station.',
              assumptions: ['The snow losses entered by month do not count while the depth is known.'],
            }
          : entered('light × snow loss of the month', 'Snow', losses.snow),
      ),
    ),
    line(
      'dirt',
      'Dirt',
      -lost('dirt'),
      'loss',
      'dc',
      entered('light × soiling of the month', 'Soiling', losses.soiling),
    ),
    line('low-light', 'Low light', -lost('low-light'), 'loss', 'dc', {
      formula:
        'P(G, 25 °C) against rated power × G ÷ 1000, from I = IL − I0 (e^((V + I Rs)/a) − 1) − (V + I Rs)/Rsh',
      inputs: [
        { label: 'IL', value: round(diode.lightA, 3), unit: 'A' },
        { label: 'I0', value: diode.saturationA.toExponential(2), unit: 'A' },
        { label: 'Rs', value: round(diode.seriesOhm, 4), unit: 'Ω' },
        { label: 'Rsh', value: round(diode.shuntOhm, 0), unit: 'Ω' },
        { label: 'a', value: round(diode.thermalV, 3), unit: 'V' },
      ],
      source: 'De Soto et al. 2006; fitted to the data sheet after Dobos 2012.',
      assumptions: ['The spectrum is taken as that of the sheet.'],
    }),
    line('heat', 'Heat', -lost('heat'), 'loss', 'dc', {
      formula: 'P(G, T) against P(G, 25 °C), T = air + G ÷ (u0 + u1 · wind)',
      inputs: [
        { label: 'γ of the module', value: round(module.powerPerK * 100, 2), unit: '% a kelvin' },
        ...[...new Set(laid.arrays.map((array) => array.mount))].map((mount) => ({
          label: `u0, u1, ${mountNames[mount]}`,
          value: `${mountHeat[mount].u0}, ${mountHeat[mount].u1}`,
          unit: 'W/m²K, Ws/m³K',
        })),
      ],
      source: 'Faiman 2008, on roofs with coefficients after King et al. 2004; single diode of the module.',
      assumptions: ['Cell and module back are taken as equally warm.'],
    }),
    line(
      'wiring',
      'Module and wiring',
      -(['light-induced', 'nameplate', 'wiring', 'connections', 'other'] as const).reduce(
        (sum, name) => sum + lost(name),
        0,
      ),
      'loss',
      'dc',
      {
        formula: `P × (1 − ${entries.map((_, k) => `(1 − ${String.fromCharCode(97 + k)})`).join('')})`,
        inputs: entries.map(([label, share]) => ({ label, value: round(share * 100, 2), unit: '%' })),
        source: 'Entered; defaults after Dobos 2014, table 5.',
        assumptions: ['The first year; ageing comes with the years of the offer.'],
      },
    ),
    line('inverter', 'Inverter', -lost('inverter'), 'loss', 'ac', {
      formula: inverter.king
        ? 'Pac = (Paco/(A − B) − C (A − B)) (Pdc − B) + C (Pdc − B)², A, B, C by the DC volts; its own use at night'
        : 'η(load) = η/0.9637 · (−0.0162 ζ − 0.0059/ζ + 0.9858), and its own use at night',
      inputs: [
        { label: inverter.name, value: round(inverter.efficiency * 100), unit: '%' },
        { label: 'Night use', value: round(ac.nightKwh), unit: 'kWh' },
      ],
      source: inverter.king
        ? 'King et al. 2007 (SAND2007-5036); measured parameters of the inverter.'
        : 'Dobos 2014, eq. 11; data sheet.',
      assumptions: [],
    }),
    line('clipping', 'Clipping', -lost('clipping'), 'loss', 'ac', {
      formula: 'what passes the rated AC power, interval by interval',
      inputs: [
        { label: 'Rated AC power', value: round(inverter.acPowerW / 1000, 2), unit: 'kW' },
        { label: 'Module power', value: round(result.powerW / 1000, 2), unit: 'kW' },
      ],
      source: 'Data sheet of the inverter.',
      assumptions: [`Means of ${weather.stepMinutes} minutes: shorter peaks are not seen.`],
    }),
    line(
      'availability',
      'Standstill',
      -lost('standstill'),
      'loss',
      'ac',
      entered('AC energy × standstill', 'Standstill', [losses.availability]),
    ),
    line('yield', 'Yield', chain.ac.kwh, 'total', 'ac', {
      formula: 'sun on modules less all losses above',
      inputs: [
        { label: 'Modules', value: count, unit: '' },
        {
          label: 'A kilowatt of modules gives',
          value: round(result.powerW > 0 ? (chain.ac.kwh / result.powerW) * 1000 : 0, 0),
          unit: 'kWh',
        },
        { label: 'Performance ratio', value: round(sun > 0 ? (chain.ac.kwh / sun) * 100 : 0), unit: '%' },
        ...(station.yearSpread === null
          ? []
          : [
              {
                label: 'Years differ by',
                value: round(station.yearSpread * 100),
                unit: '% (standard deviation)',
              },
              {
                label: 'In nine years of ten more than',
                value: round(chain.ac.kwh * (1 - p90 * station.yearSpread), 0),
                unit: 'kWh',
              },
            ]),
      ],
      source: 'The lines above.',
      assumptions: [
        'The first year.',
        ...(station.yearSpread === null
          ? []
          : ['Years of light on record at the station, taken as normally spread.']),
      ],
    }),
  ]
}

/** Standard deviations below the mean that one year in ten falls short of. */
const p90 = 1.2816

const energyInputs = (losses: Losses): [string, number][] => [
  ['Light-induced', losses.lightInduced],
  ['Nameplate', losses.nameplate],
  ['Wiring', losses.wiring],
  ['Connections', losses.connections],
  ...losses.other.map(({ name, share }): [string, number] => [name, share]),
]

/** "0.2", or "0.2 to 0.5" where the months differ. */
function range(values: readonly number[]): string {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  return low === high ? String(low) : `${low} to ${high}`
}

const entered = (formula: string, label: string, shares: readonly number[]) => ({
  formula,
  inputs: [{ label, value: range(shares.map((share) => round(share * 100, 2))), unit: '%' }],
  source: 'Entered; default after Dobos 2014, table 5.',
  assumptions: [],
})

/** What the user calls an object; its id when it has no name. */
export function nameOf(result: PipelineResult, id: string): string {
  const object = result.input.house[id] ?? result.input.option[id]
  return object && 'name' in object ? object.name : id
}
