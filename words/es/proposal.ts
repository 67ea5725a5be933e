import { type proposal as english } from '../en/proposal'

export const proposal: Readonly<Record<keyof typeof english, string>> = {
  title: 'Su oferta solar',
  offerFor: 'Oferta solar para {name}',
  pdf: 'PDF',
  savedFirstYear: 'Ahorro del primer año',
  paidBackAfter: 'Plazo de recuperación',
  ownShare: 'Su parte propia de la energía',
  billText:
    'Su factura pasa de {before} al año a {after}. No hacer nada costaría {nothing} en {years, plural, one {# año} other {# años}} si la energía sube un {growth} al año.',
  energyText: 'Los módulos producen {yield} en su primer año: {used} se consumen en casa y {sold} se venden.',
  equipment: 'Equipos',
  price: 'Precio',
  installed: 'Instalado',
  incentive: 'Subvención, {share}',
  youPay: 'Usted paga',
  cumulative: 'Flujo de caja acumulado a {years, plural, one {# año} other {# años}}',
  irr: 'Rentabilidad anual (TIR)',
  modules: 'módulos de {power}, {total} en total',
  inverter: 'inversor, {power}',
  battery: 'batería, {energy} útiles',
  takenAs: 'Estas cifras suponen:',
  gone: '{name}: se elimina',
  trimmed: '{name}: se poda a {height}',
  grown: '{name}: {years, plural, one {# año} other {# años}} después de hoy',
  footer:
    'Calculado hora a hora para un año típico con las sombras de tejado, obstáculos, árboles y vecinos; los módulos se degradan cada año. Es una previsión, no una promesa: el tiempo y los precios varían.',
  picture: 'La casa con sus módulos',
  turn: 'La casa con sus módulos; arrastre para girarla',
  dragToTurn: 'arrastre para girar',
  noPicture: 'La imagen del tejado necesita WebGL.',
}
