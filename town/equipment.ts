import { type Catalogue } from '@/core/electrical/catalogue'

/** The made-up catalogue. Figures are of the sort that data sheets of the day show. */
export const catalogue: Catalogue = {
  modules: [
    { id: 'lumenfold-420', maker: 'Lumenfold', name: 'Lumenfold 420 M', powerW: 420, widthM: 1.134, lengthM: 1.722, vocV: 38.3, vmpV: 32.2, iscA: 13.85, impA: 13.05, powerPerK: -0.0034, vocPerK: -0.0026, strips: 3, halves: 2, degradation: 0.005 },
    { id: 'lumenfold-450', maker: 'Lumenfold', name: 'Lumenfold 450 M', powerW: 450, widthM: 1.134, lengthM: 1.762, vocV: 39.6, vmpV: 33.4, iscA: 14.25, impA: 13.48, powerPerK: -0.0029, vocPerK: -0.0024, strips: 3, halves: 2, degradation: 0.004 },
    { id: 'quillmark-375', maker: 'Quillmark', name: 'Quillmark 375 S', powerW: 375, widthM: 1.04, lengthM: 1.755, vocV: 41.1, vmpV: 34.6, iscA: 11.5, impA: 10.84, powerPerK: -0.0035, vocPerK: -0.0028, strips: 3, halves: 2, degradation: 0.0055 },
    { id: 'sabelmoor-330', maker: 'Sabelmoor', name: 'Sabelmoor 330', powerW: 330, widthM: 0.996, lengthM: 1.69, vocV: 40.7, vmpV: 33.9, iscA: 10.35, impA: 9.74, powerPerK: -0.0037, vocPerK: -0.0029, strips: 3, halves: 1, degradation: 0.006 },
  ],
  inverters: [
    { id: 'halyard-3800', maker: 'Halyard', name: 'Halyard 3.8', acPowerW: 3800, mppInputs: 2, stringsPerInput: 1, highestV: 600, mppLowV: 80, mppHighV: 550, startV: 100, inputCurrentA: 19, efficiency: 0.965, nightW: 1, highestDcAc: 1.6 },
    { id: 'halyard-5000', maker: 'Halyard', name: 'Halyard 5.0', acPowerW: 5000, mppInputs: 2, stringsPerInput: 1, highestV: 600, mppLowV: 80, mppHighV: 550, startV: 100, inputCurrentA: 19, efficiency: 0.968, nightW: 1, highestDcAc: 1.6 },
    { id: 'halyard-7600', maker: 'Halyard', name: 'Halyard 7.6', acPowerW: 7600, mppInputs: 3, stringsPerInput: 1, highestV: 600, mppLowV: 80, mppHighV: 550, startV: 100, inputCurrentA: 19, efficiency: 0.97, nightW: 1.5, highestDcAc: 1.6 },
    { id: 'orrin-10', maker: 'Orrin', name: 'Orrin 10 T', acPowerW: 10000, mppInputs: 4, stringsPerInput: 1, highestV: 1000, mppLowV: 140, mppHighV: 850, startV: 160, inputCurrentA: 18, efficiency: 0.975, nightW: 2, highestDcAc: 1.5 },
  ],
  batteries: [
    { id: 'kestrelite-5', maker: 'Kestrelite', name: 'Kestrelite 5', usableKwh: 5, chargeKw: 2.5, dischargeKw: 2.5, efficiency: 0.955 },
    { id: 'kestrelite-10', maker: 'Kestrelite', name: 'Kestrelite 10', usableKwh: 10, chargeKw: 5, dischargeKw: 5, efficiency: 0.955 },
    { id: 'marrowstone-13', maker: 'Marrowstone', name: 'Marrowstone 13', usableKwh: 13.4, chargeKw: 6.5, dischargeKw: 7, efficiency: 0.945 },
  ],
}
