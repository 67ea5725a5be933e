import { type AddedLoad, type carChargings } from '@/core/kinds/load/load'

/** Consumption in Match. */
export const load = {
  byMonth: 'By month',
  byMonthHint: 'Twelve figures from January on; empty to go by the shape',
  byMonthSet: 'Consumption by month',
  openMonths: 'Enter twelve months',
  closeMonths: 'Close the months',
  dropMonths: 'Go by the shape again',
  takeMeter: 'Open meter file',
  household: 'Or a measured household',
  chooseHousehold: 'Choose one …',
  householdOf: '{name}, {kwh}',
  householdAway: 'What this household’s meter has told could not be fetched. Try again.',
  meterRead: '{name}: {annual} a year',
  meterNote:
    '{name}: {days, number} days from {from}, every {step, number} minutes{filled, select, none {} other {, {filled} filled in}}.',
  dropMeter: 'Remove meter file',
  problems: 'What looked odd in it',
  reading: 'Reading {name} …',
  bad: '{name}: {why}',
  coming: 'What will come',
  shownLoad: 'Consumption shown',
  today: 'Today’s consumption',
  comingHint:
    'Counted before solar and with it; untick one to see its effect. Daily hours below zero stand for what will go.',
  add: 'Add …',
  kinds: {
    car: 'Electric car',
    heating: 'Heat pump',
    cooling: 'Air conditioning',
    hours: 'Daily hours',
  } satisfies Readonly<Record<AddedLoad['what'], string>>,
  name: 'Name',
  kwhPerYear: 'kWh a year',
  charger: 'Charger',
  athome: 'At home',
  hours: 'Hours',
  hoursHint: '18–7, or 16–20',
  charging: 'Charging',
  chargings: {
    'at-once': 'at once',
    cheapest: 'cheapest hours',
    'on-surplus': 'surplus of the roof',
  } satisfies Readonly<Record<(typeof carChargings)[number], string>>,
  surplusHint:
    'What the roof has left first, then the cheapest hours of the same stay. Without solar, the cheapest hours.',
  below: 'Heats below',
  above: 'Cools above',
  months: 'Months',
  monthsHint: '1 to 12, such as 6-9 or 12,1,2; empty for all',
  counts: 'Counts: {name}',
} as const
