import { type z } from 'zod'
import { tariffFormSchema, type TariffForm } from '@/core/kinds/tariff/form'

type TariffFile = z.input<typeof tariffFormSchema>

/** Holidays that count as weekends on Aldane's leaflets. */
const aldaneHolidays = ['01-01', '05-26', '07-04', '09-01', '11-27', '12-25']
const summer = [6, 7, 8, 9]
const winter = [1, 2, 3, 4, 5, 10, 11, 12]

const aldane = 'Aldane Light & Power'
const quahaven = 'Quahaven Municipal Electric'
const bungarra = 'Bungarra Energy'
const corva = 'Corva Eléctrica'

const timeOfUse: Pick<TariffFile, 'pricePerKwh' | 'periods'> = {
  pricePerKwh: 0.262,
  periods: [
    { name: 'Summer peak', months: summer, days: 'weekday', fromHour: 14, toHour: 20, pricePerKwh: 0.438 },
    { name: 'Winter peak', months: winter, days: 'weekday', fromHour: 16, toHour: 20, pricePerKwh: 0.352 },
    { name: 'Night', fromHour: 23, toHour: 6, pricePerKwh: 0.164 },
  ],
}

const tramos: Pick<TariffFile, 'pricePerKwh' | 'periods'> = {
  pricePerKwh: 0.168,
  periods: [
    { name: 'Punta', days: 'weekday', fromHour: 10, toHour: 14, pricePerKwh: 0.236 },
    { name: 'Punta', days: 'weekday', fromHour: 18, toHour: 22, pricePerKwh: 0.236 },
    { name: 'Valle', fromHour: 0, toHour: 8, pricePerKwh: 0.118 },
    { name: 'Valle', days: 'weekend', pricePerKwh: 0.118 },
  ],
}

/** Leaflets of the made-up utilities, by the town they serve. */
const leaflets: Readonly<Record<string, readonly TariffFile[]>> = {
  pellworth: [
    {
      name: 'Home, one price',
      utility: aldane,
      fixedPerMonth: 12.5,
      pricePerKwh: 0.281,
      nonBypassablePerKwh: 0.021,
      exports: { kind: 'net-metering', settle: 'year', settleMonth: 4, surplusPerKwh: 0.062 },
    },
    {
      name: 'Home, in steps',
      utility: aldane,
      fixedPerMonth: 9,
      pricePerKwh: 0.224,
      tiers: {
        per: 'day',
        steps: [
          { upToKwh: 12, addPerKwh: 0 },
          { upToKwh: 24, addPerKwh: 0.058 },
          { upToKwh: null, addPerKwh: 0.121 },
        ],
      },
      exports: { kind: 'net-metering', settle: 'month', surplusPerKwh: 0.071 },
    },
    {
      name: 'Home, time of use',
      utility: aldane,
      fixedPerMonth: 14.5,
      ...timeOfUse,
      holidays: aldaneHolidays,
    },
    {
      name: 'Home solar, net billing',
      utility: aldane,
      fixedPerMonth: 17,
      ...timeOfUse,
      holidays: aldaneHolidays,
      exportPerKwh: 0.112,
    },
    {
      name: 'Town home',
      utility: quahaven,
      fixedPerDay: 0.38,
      pricePerKwh: 0.196,
      taxes: [{ name: 'City utility tax', share: 0.045 }],
      exportPerKwh: 0.085,
    },
    {
      name: 'Town home, demand',
      utility: quahaven,
      fixedPerDay: 0.38,
      pricePerKwh: 0.094,
      demand: [
        { name: 'Evening demand', days: 'weekday', fromHour: 16, toHour: 21, perKw: 9.4, minutes: 60 },
      ],
      taxes: [{ name: 'City utility tax', share: 0.045 }],
      minimumPerMonth: 24,
      exportPerKwh: 0.085,
    },
  ],
  tarrowee: [
    {
      name: 'Home flat',
      utility: bungarra,
      fixedPerDay: 1.02,
      pricePerKwh: 0.415,
      exports: { kind: 'feed-in', perKwh: 0.045 },
    },
    {
      name: 'Home feed-in',
      utility: bungarra,
      fixedPerMonth: 31,
      pricePerKwh: 0.439,
      periods: [
        { name: 'Sun soak', fromHour: 10, toHour: 15, pricePerKwh: 0.29, exportPerKwh: 0.02 },
        { name: 'Peak', fromHour: 17, toHour: 21, pricePerKwh: 0.55, exportPerKwh: 0.14 },
      ],
      exportPerKwh: 0.06,
    },
    {
      name: 'Home, battery club',
      utility: bungarra,
      fixedPerDay: 1.29,
      pricePerKwh: 0.352,
      periods: [
        { name: 'Midday', fromHour: 11, toHour: 14, pricePerKwh: 0.09, exportPerKwh: 0 },
        { name: 'Peak', fromHour: 17, toHour: 21, pricePerKwh: 0.61, exportPerKwh: 0.31 },
      ],
      exportPerKwh: 0.05,
      credits: [{ name: 'Battery club credit', months: [], amount: 6 }],
    },
  ],
  valdecorva: [
    { name: 'Hogar tres tramos', utility: corva, fixedPerMonth: 16, ...tramos },
    {
      name: 'Hogar con excedentes',
      utility: corva,
      fixedPerMonth: 16,
      ...tramos,
      exportPerKwh: 0.062,
      minimumPerMonth: 16,
      taxes: [{ name: 'IVA', share: 0.21 }],
    },
    {
      name: 'Hogar precio único',
      utility: corva,
      fixedPerMonth: 13.5,
      pricePerKwh: 0.189,
      exportPerKwh: 0.05,
      taxes: [{ name: 'IVA', share: 0.21 }],
    },
  ],
}

/** What utilities offer in a town. @param townId of the town */
export const tariffsIn = (townId: string): readonly TariffForm[] =>
  (leaflets[townId] ?? []).map((leaflet) => tariffFormSchema.parse(leaflet))
