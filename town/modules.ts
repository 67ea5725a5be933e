import { type ModuleType } from '@/core/electrical/catalogue'

/** What modules of a sort of cell have in common. */
const techs = {
  perc: { cell: 'p-type', powerPerK: -0.0034, vocPerK: -0.00265, iscPerK: 0.00048, degradation: 0.0055 },
  topcon: { cell: 'n-type', powerPerK: -0.0029, vocPerK: -0.00245, iscPerK: 0.00045, degradation: 0.004 },
  hetero: { cell: 'n-type', powerPerK: -0.0025, vocPerK: -0.0023, iscPerK: 0.0004, degradation: 0.003 },
  back: { cell: 'n-type', powerPerK: -0.0028, vocPerK: -0.0024, iscPerK: 0.00045, degradation: 0.0025 },
  old: { cell: 'p-type', powerPerK: -0.0038, vocPerK: -0.003, iscPerK: 0.00055, degradation: 0.0065 },
} as const satisfies Readonly<
  Record<string, Pick<ModuleType, 'cell' | 'powerPerK' | 'vocPerK' | 'iscPerK' | 'degradation'>>
>

/** Modules that differ only in what their cells were sorted to. */
interface Series extends Pick<ModuleType, 'maker' | 'halves' | 'widthM' | 'lengthM' | 'sortedUp'> {
  /** Behind maker and watts in a module's name. */
  readonly suffix: string
  readonly tech: keyof typeof techs
  /** In series. */
  readonly cells: number
  readonly thicknessM: number
  readonly weightKg: number
  readonly colour: NonNullable<ModuleType['colour']>
  /** W, Voc, Vmp, Isc, Imp, price. */
  readonly sheets: readonly (readonly [number, number, number, number, number, number])[]
}

const series: readonly Series[] = [
  {
    maker: 'Lumenfold',
    suffix: 'M',
    tech: 'perc',
    cells: 54,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.722,
    thicknessM: 0.03,
    weightKg: 21.3,
    colour: 'black-frame',
    sortedUp: false,
    sheets: [
      [405, 37.26, 31.37, 13.71, 12.91, 178],
      [410, 37.42, 31.51, 13.82, 13.01, 180],
      [415, 37.58, 31.64, 13.93, 13.12, 183],
    ],
  },
  {
    maker: 'Lumenfold',
    suffix: 'N',
    tech: 'topcon',
    cells: 54,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.762,
    thicknessM: 0.03,
    weightKg: 22,
    colour: 'all-black',
    sortedUp: true,
    sheets: [
      [435, 38.99, 32.99, 13.94, 13.19, 211],
      [440, 39.14, 33.11, 14.05, 13.29, 213],
      [445, 39.3, 33.25, 14.14, 13.38, 216],
      [455, 39.62, 33.52, 14.34, 13.57, 221],
    ],
  },
  {
    maker: 'Lumenfold',
    suffix: 'L',
    tech: 'topcon',
    cells: 60,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.953,
    thicknessM: 0.03,
    weightKg: 24.2,
    colour: 'black-frame',
    sortedUp: true,
    sheets: [
      [490, 43.32, 36.65, 14.13, 13.37, 230],
      [495, 43.47, 36.78, 14.23, 13.46, 233],
      [505, 43.78, 37.04, 14.41, 13.63, 237],
    ],
  },
  {
    maker: 'Quillmark',
    suffix: 'S',
    tech: 'perc',
    cells: 60,
    halves: 2,
    widthM: 1.04,
    lengthM: 1.755,
    thicknessM: 0.035,
    weightKg: 19.5,
    colour: 'silver-frame',
    sortedUp: true,
    sheets: [
      [365, 41.4, 34.86, 11.12, 10.47, 146],
      [370, 41.6, 35.03, 11.21, 10.56, 148],
      [380, 42, 35.36, 11.42, 10.75, 152],
    ],
  },
  {
    maker: 'Quillmark',
    suffix: 'X',
    tech: 'hetero',
    cells: 54,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.722,
    thicknessM: 0.03,
    weightKg: 22.1,
    colour: 'black-frame',
    sortedUp: true,
    sheets: [
      [425, 40.28, 34.48, 12.92, 12.33, 238],
      [430, 40.45, 34.63, 13.02, 12.42, 241],
      [436, 40.65, 34.8, 13.13, 12.53, 244],
    ],
  },
  {
    maker: 'Sabelmoor',
    suffix: '',
    tech: 'old',
    cells: 60,
    halves: 1,
    widthM: 0.996,
    lengthM: 1.69,
    thicknessM: 0.04,
    weightKg: 18.2,
    colour: 'silver-frame',
    sortedUp: false,
    sheets: [
      [310, 40.32, 33.38, 9.94, 9.29, 110],
      [320, 40.78, 33.77, 10.14, 9.48, 114],
      [325, 41, 33.95, 10.24, 9.57, 115],
    ],
  },
  {
    maker: 'Sabelmoor',
    suffix: 'Half',
    tech: 'perc',
    cells: 72,
    halves: 2,
    widthM: 1.048,
    lengthM: 2.108,
    thicknessM: 0.035,
    weightKg: 23.8,
    colour: 'silver-frame',
    sortedUp: false,
    sheets: [[448, 49.68, 41.83, 11.37, 10.71, 175]],
  },
  {
    maker: 'Tindervale',
    suffix: 'Dusk',
    tech: 'topcon',
    cells: 54,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.722,
    thicknessM: 0.03,
    weightKg: 21.5,
    colour: 'all-black',
    sortedUp: true,
    sheets: [
      [422, 38.99, 32.99, 13.52, 12.79, 219],
      [428, 39.18, 33.15, 13.65, 12.91, 223],
      [432, 39.31, 33.26, 13.73, 12.99, 225],
      [438, 39.51, 33.43, 13.85, 13.1, 228],
    ],
  },
  {
    maker: 'Tindervale',
    suffix: 'Plain',
    tech: 'perc',
    cells: 66,
    halves: 2,
    widthM: 1.134,
    lengthM: 2.094,
    thicknessM: 0.035,
    weightKg: 25.3,
    colour: 'silver-frame',
    sortedUp: false,
    sheets: [
      [488, 45.54, 38.34, 13.52, 12.73, 198],
      [492, 45.67, 38.45, 13.59, 12.8, 199],
      [498, 45.87, 38.62, 13.69, 12.89, 202],
    ],
  },
  {
    maker: 'Corvane',
    suffix: 'BC',
    tech: 'back',
    cells: 96,
    halves: 1,
    widthM: 1.046,
    lengthM: 1.69,
    thicknessM: 0.04,
    weightKg: 18.6,
    colour: 'all-black',
    sortedUp: true,
    sheets: [
      [395, 70.37, 60.38, 6.87, 6.54, 292],
      [400, 70.68, 60.64, 6.93, 6.6, 296],
      [404, 70.93, 60.86, 6.97, 6.64, 299],
    ],
  },
  {
    maker: 'Corvane',
    suffix: 'BC Long',
    tech: 'back',
    cells: 54,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.762,
    thicknessM: 0.03,
    weightKg: 20.8,
    colour: 'all-black',
    sortedUp: true,
    sheets: [
      [458, 39.58, 33.96, 14.16, 13.49, 302],
      [462, 39.7, 34.06, 14.24, 13.56, 305],
      [466, 39.82, 34.17, 14.32, 13.64, 308],
    ],
  },
  {
    maker: 'Brindlecote',
    suffix: 'H',
    tech: 'hetero',
    cells: 60,
    halves: 2,
    widthM: 1.038,
    lengthM: 1.755,
    thicknessM: 0.035,
    weightKg: 19.8,
    colour: 'black-frame',
    sortedUp: true,
    sheets: [
      [385, 44.76, 38.31, 10.53, 10.05, 221],
      [390, 44.96, 38.49, 10.62, 10.13, 224],
      [394, 45.13, 38.63, 10.69, 10.2, 227],
    ],
  },
  {
    maker: 'Brindlecote',
    suffix: 'Twin',
    tech: 'topcon',
    cells: 72,
    halves: 2,
    widthM: 1.134,
    lengthM: 2.278,
    thicknessM: 0.03,
    weightKg: 31.5,
    colour: 'silver-frame',
    sortedUp: true,
    sheets: [
      [570, 51.98, 43.98, 13.7, 12.96, 234],
      [575, 52.14, 44.11, 13.78, 13.04, 236],
      [582, 52.37, 44.31, 13.88, 13.13, 239],
    ],
  },
  {
    maker: 'Ostermoor',
    suffix: 'Small',
    tech: 'topcon',
    cells: 40,
    halves: 2,
    widthM: 1.134,
    lengthM: 1.303,
    thicknessM: 0.03,
    weightKg: 16.4,
    colour: 'all-black',
    sortedUp: true,
    sheets: [
      [322, 28.88, 24.43, 13.93, 13.18, 193],
      [328, 29.07, 24.59, 14.1, 13.34, 197],
      [335, 29.29, 24.78, 14.29, 13.52, 201],
    ],
  },
]

/** The longer part of the made-up catalogue of modules; figures are of the sort that data sheets of the day show. */
export const moreModules: readonly ModuleType[] = series.flatMap(({ suffix, tech, cells, sheets, ...own }) =>
  sheets.map(([powerW, vocV, vmpV, iscA, impA, price]): ModuleType => {
    const name = `${own.maker} ${powerW}${suffix === '' ? '' : ` ${suffix}`}`
    return {
      ...own,
      ...techs[tech],
      id: name.toLowerCase().replaceAll(' ', '-'),
      name,
      price,
      powerW,
      vocV,
      vmpV,
      iscA,
      impA,
      strips: 3,
      // Half-cut cells are counted as they are seen.
      cells: cells * own.halves,
    }
  }),
)
