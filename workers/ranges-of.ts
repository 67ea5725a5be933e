/** Where an offer may end up. Fetched when it is first asked for. */
export { rangesOfMoney } from '@/core/readers/money-ranges'
