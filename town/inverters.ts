import { type InverterType } from '@/core/electrical/catalogue'

interface Made {
  readonly id: string
  readonly maker: string
  readonly name: string
  readonly kw: number
  readonly price: number
  readonly inputs: number
  readonly strings?: number
  readonly efficiency: number
}

/** Sheets of a series differ by size alone. */
const series = (
  common: Omit<
    InverterType,
    keyof Made | 'acPowerW' | 'mppInputs' | 'stringsPerInput' | 'efficiency' | 'king'
  >,
  models: readonly Made[],
): InverterType[] =>
  models.map(({ kw, inputs, strings = 1, ...named }) => ({
    ...common,
    ...named,
    acPowerW: kw * 1000,
    mppInputs: inputs,
    stringsPerInput: strings,
  }))

/** Further made-up inverters: small ones of one phase, a wide-window series, and large ones of three phases. */
export const moreInverters: readonly InverterType[] = [
  ...series(
    {
      highestV: 600,
      mppLowV: 70,
      mppHighV: 540,
      startV: 90,
      inputCurrentA: 16,
      inputShortCurrentA: 20,
      nightW: 1,
      highestDcAc: 1.5,
    },
    [
      {
        id: 'brannock-2500',
        maker: 'Brannock',
        name: 'Brannock 2.5',
        kw: 2.5,
        price: 780,
        inputs: 1,
        efficiency: 0.962,
      },
      {
        id: 'brannock-3000',
        maker: 'Brannock',
        name: 'Brannock 3',
        kw: 3,
        price: 860,
        inputs: 2,
        efficiency: 0.964,
      },
      {
        id: 'brannock-4000',
        maker: 'Brannock',
        name: 'Brannock 4',
        kw: 4,
        price: 1020,
        inputs: 2,
        efficiency: 0.966,
      },
      {
        id: 'brannock-6000',
        maker: 'Brannock',
        name: 'Brannock 6',
        kw: 6,
        price: 1390,
        inputs: 2,
        strings: 2,
        efficiency: 0.968,
      },
    ],
  ),
  ...series(
    {
      highestV: 600,
      mppLowV: 50,
      mppHighV: 560,
      startV: 60,
      inputCurrentA: 20,
      inputShortCurrentA: 40,
      nightW: 1.2,
      highestDcAc: 1.8,
    },
    [
      {
        id: 'solway-4600',
        maker: 'Solway',
        name: 'Solway 4.6',
        kw: 4.6,
        price: 1490,
        inputs: 3,
        efficiency: 0.971,
      },
      {
        id: 'solway-6000',
        maker: 'Solway',
        name: 'Solway 6.0',
        kw: 6,
        price: 1760,
        inputs: 3,
        efficiency: 0.972,
      },
      {
        id: 'solway-8200',
        maker: 'Solway',
        name: 'Solway 8.2',
        kw: 8.2,
        price: 2210,
        inputs: 4,
        efficiency: 0.973,
      },
      {
        id: 'solway-9600',
        maker: 'Solway',
        name: 'Solway 9.6',
        kw: 9.6,
        price: 2480,
        inputs: 4,
        strings: 2,
        efficiency: 0.973,
      },
      {
        id: 'solway-11400',
        maker: 'Solway',
        name: 'Solway 11.4',
        kw: 11.4,
        price: 2790,
        inputs: 4,
        strings: 2,
        efficiency: 0.974,
      },
    ],
  ),
  ...series(
    {
      phases: 3,
      highestV: 1100,
      mppLowV: 160,
      mppHighV: 950,
      startV: 180,
      inputCurrentA: 16,
      inputShortCurrentA: 24,
      nightW: 2,
      highestDcAc: 1.5,
    },
    [
      { id: 'orrin-5', maker: 'Orrin', name: 'Orrin 5 T', kw: 5, price: 1680, inputs: 2, efficiency: 0.974 },
      { id: 'orrin-8', maker: 'Orrin', name: 'Orrin 8 T', kw: 8, price: 2110, inputs: 2, efficiency: 0.976 },
      {
        id: 'orrin-15',
        maker: 'Orrin',
        name: 'Orrin 15 T',
        kw: 15,
        price: 2980,
        inputs: 2,
        strings: 2,
        efficiency: 0.978,
      },
      {
        id: 'orrin-20',
        maker: 'Orrin',
        name: 'Orrin 20 T',
        kw: 20,
        price: 3560,
        inputs: 3,
        strings: 2,
        efficiency: 0.979,
      },
    ],
  ),
]
