/** How much of consumption and bill solar takes away. */
export const offsets = {
  title: 'Offset',
  consumption: 'Consumption offset',
  consumptionNote: 'yield of consumption',
  bill: 'Bill offset',
  billNote: 'of the bill now',
  selfUse: 'Self-consumption',
  selfUseNote: 'of the yield used at home',
  selfUseSpread: 'of the yield used at home, ±\u00a0{points}\u00a0points: from a load shape',
  sufficiency: 'Self-sufficiency',
  sufficiencyNote: 'of consumption from solar',
  why: 'The two differ because {sold} go out at {earned} on average while a bought kWh costs {paid}, and {fixed} of the bill with solar are fixed.',
  same: 'Nothing goes out, so each kWh made spares one that would be bought.',
} as const
