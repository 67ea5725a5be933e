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

/** Made-up hybrids, on whose battery port DC-coupled batteries hang. */
export const hybridInverters: readonly InverterType[] = [
  ...series(
    {
      highestV: 600,
      mppLowV: 60,
      mppHighV: 540,
      startV: 80,
      inputCurrentA: 20,
      inputShortCurrentA: 27,
      nightW: 8,
      highestDcAc: 2,
      batteryPort: { powerKw: 5, lowV: 90, highV: 480 },
    },
    [
      {
        id: 'tamsin-5',
        maker: 'Tamsin',
        name: 'Tamsin 5 H',
        kw: 5,
        price: 2290,
        inputs: 2,
        efficiency: 0.966,
      },
      {
        id: 'tamsin-7',
        maker: 'Tamsin',
        name: 'Tamsin 7 H',
        kw: 7,
        price: 2680,
        inputs: 3,
        efficiency: 0.968,
      },
    ],
  ),
  ...series(
    {
      highestV: 600,
      mppLowV: 70,
      mppHighV: 550,
      startV: 90,
      inputCurrentA: 18,
      inputShortCurrentA: 30,
      nightW: 11,
      highestDcAc: 2,
      batteryPort: { powerKw: 10, lowV: 120, highV: 500 },
    },
    [
      {
        id: 'tamsin-10',
        maker: 'Tamsin',
        name: 'Tamsin 10 H',
        kw: 10,
        price: 3390,
        inputs: 4,
        efficiency: 0.97,
      },
    ],
  ),
  ...series(
    {
      phases: 3,
      highestV: 1000,
      mppLowV: 150,
      mppHighV: 850,
      startV: 180,
      inputCurrentA: 16,
      inputShortCurrentA: 24,
      nightW: 12,
      highestDcAc: 1.8,
      batteryPort: { powerKw: 10, lowV: 180, highV: 600 },
    },
    [
      {
        id: 'orrin-10-h',
        maker: 'Orrin',
        name: 'Orrin 10 TH',
        kw: 10,
        price: 3480,
        inputs: 2,
        strings: 2,
        efficiency: 0.974,
      },
    ],
  ),
  // For batteries of few volts and many amperes.
  ...series(
    {
      highestV: 500,
      mppLowV: 90,
      mppHighV: 430,
      startV: 110,
      inputCurrentA: 18,
      inputShortCurrentA: 24,
      nightW: 15,
      highestDcAc: 1.6,
      batteryPort: { powerKw: 5, lowV: 40, highV: 60 },
    },
    [
      {
        id: 'dunmarrow-5',
        maker: 'Dunmarrow',
        name: 'Dunmarrow 5 B',
        kw: 5,
        price: 1720,
        inputs: 2,
        efficiency: 0.955,
      },
    ],
  ),
]
