import { type Catalogue } from '@/core/electrical/catalogue'

/** Made-up batteries, from a small one that shares a wall with others to one for a house with a car. */
export const batteries: Catalogue['batteries'] = [
  battery('kestrelite-5', 'Kestrelite', 'Kestrelite 5', {
    price: 5900,
    usableKwh: 5,
    chargeKw: 2.5,
    dischargeKw: 2.5,
    efficiency: 0.955,
    standbyW: 12,
  }),
  battery('kestrelite-10', 'Kestrelite', 'Kestrelite 10', {
    price: 10_400,
    usableKwh: 10,
    chargeKw: 5,
    dischargeKw: 5,
    efficiency: 0.955,
    standbyW: 18,
  }),
  battery('marrowstone-13', 'Marrowstone', 'Marrowstone 13', {
    price: 12_900,
    usableKwh: 13.4,
    chargeKw: 6.5,
    dischargeKw: 7,
    efficiency: 0.945,
    standbyW: 30,
  }),
  // Little power for what it holds, and little of its own.
  battery('thornwick-3', 'Thornwick', 'Thornwick Slab 3', {
    price: 3100,
    usableKwh: 3.3,
    chargeKw: 1.2,
    dischargeKw: 1.5,
    efficiency: 0.94,
    standbyW: 6,
  }),
  battery('thornwick-6', 'Thornwick', 'Thornwick Slab 6', {
    price: 5400,
    usableKwh: 6.6,
    chargeKw: 2.4,
    dischargeKw: 3,
    efficiency: 0.94,
    standbyW: 9,
  }),
  // Cheap by the kilowatt-hour, and loses more.
  battery('brindlecap-8', 'Brindlecap', 'Brindlecap 8', {
    price: 5600,
    usableKwh: 8,
    chargeKw: 3,
    dischargeKw: 3,
    efficiency: 0.92,
    standbyW: 35,
  }),
  battery('brindlecap-16', 'Brindlecap', 'Brindlecap 16', {
    price: 10_100,
    usableKwh: 16,
    chargeKw: 5,
    dischargeKw: 6,
    efficiency: 0.92,
    standbyW: 45,
  }),
  // Much power: for a heat pump and a car at once.
  battery('ferrowell-20', 'Ferrowell', 'Ferrowell 20', {
    price: 19_800,
    usableKwh: 19.8,
    chargeKw: 10,
    dischargeKw: 11.5,
    efficiency: 0.96,
    standbyW: 40,
  }),
]

function battery(
  id: string,
  maker: string,
  name: string,
  sheet: Omit<Catalogue['batteries'][number], 'id' | 'maker' | 'name'>,
): Catalogue['batteries'][number] {
  return { id, maker, name, ...sheet }
}
