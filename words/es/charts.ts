import { type Words } from '../words'

export const charts: Words['charts'] = {
  bill: 'Factura por mes',
  billNow: 'Factura actual',
  billThen: 'Factura con solar',
  energy: 'Producción y consumo por mes',
  yield: 'Producción',
  used: 'de ella, consumida en casa',
  consumption: 'Consumo',
  cash: 'Flujo de caja acumulado',
  years: 'años',
  paidBack: 'recuperado en {years} años',
}

export const units: Words['units'] = {
  years: 'años',
  aYear: '/año',
  perYear: 'al año',
  perKelvin: 'por kelvin',
  never: 'nunca',
  atOnce: 'inmediata',
  none: 'ninguna',
  toCome: 'por venir',
}
