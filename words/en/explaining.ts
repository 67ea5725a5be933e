import {
  type assumptionCodes,
  type formulaCodes,
  type sourceCodes,
  type termCodes,
} from '@/core/model/ledger'

type Messages<C extends string> = Readonly<Record<C, string>>

/** How each figure is worked out. */
export const formulas = {
  'sun-on-modules': 'Σ planes: modules × rated power × irradiation on the plane ÷ 1 kW/m²',
  reflection: 'Σ irradiance × (1 − share the glass transmits), for beam, sky and ground',
  shade: 'Σ modules: blocked beam × (1 − lit share) + dome × hidden share of the sky',
  unwired: 'Σ irradiance on the modules of strings that have no inverter input',
  mismatch:
    'mean irradiance − the uniform irradiance on all strips of a string that would give the same power',
  'mismatch-own':
    'mean irradiance − the uniform irradiance on all strips of a module that would give the same power, module by module',
  'snow-computed':
    'covered cell rows ÷ rows; slides by {slide} × sin tilt an hour when air temperature > −G ÷ {slope} °C',
  'snow-entered': 'energy × snow loss of the month',
  dirt: 'energy × soiling of the month',
  'low-light':
    'P(G, 25 °C) against rated power × G ÷ 1000, from I = IL − I0 (e^((V + I Rs)/a) − 1) − (V + I Rs)/Rsh',
  heat: 'P(G, T) against P(G, 25 °C), T = air + G ÷ (u0 + u1 · wind at the modules)',
  window: 'Σ strings: power at the best point − the most within the volts that the inverter’s input works at',
  optimizers:
    'Σ modules: power at the best point − what the optimizer puts out, within its volts and current and those of the string',
  wiring: 'P × (1 − {factors})',
  'wiring-cables':
    'P × (1 − {factors}) + Σ strings: amperes² × resistance of its cables, interval by interval',
  'inverter-king': 'Pac = (Paco/(A − B) − C (A − B)) (Pdc − B) + C (Pdc − B)², with A, B and C by DC voltage',
  'inverter-curve': 'η(load) = η/{weighted} · ({load} ζ {inverse}/ζ + {constant})',
  'own-draw': 'own draw × hours without sun',
  clipping: 'power above the rated AC power, interval by interval',
  'ac-cables': 'amperes² × resistance of the conductors, interval by interval',
  availability: 'AC energy × downtime',
  yield: 'sun on modules less all losses above',
  used: 'consumption − bought',
  sold: 'Σ hours: yield − used − charged, up to the export limit',
  curtailed: 'Σ hours: yield that house, battery and grid do not take',
  bought: 'Σ hours: load and the inverter’s own draw, less yield and battery',
  consumption: 'Σ hours: load',
  'self-sufficiency': '1 − bought ÷ consumption',
  'battery-loss': 'charged − discharged + what it draws itself',
  'bill-now':
    'Twelve bills: fixed charges + Σ hours: consumption × price of the hour, + steps, demand charges and taxes of the tariff',
  'bill-then':
    'Twelve bills: fixed charges + Σ hours: bought × price of the hour − sold × export price, + steps, demand charges and taxes of the tariff',
  saving: 'bill now − bill with solar',
  price: 'module power × price per watt + what has a price of its own',
  'net-price': 'price − incentives paid at purchase',
  payback: 'years until what is saved and received covers what is paid, for good',
  npv: 'Σ years: cash flow ÷ (1 + discount rate)^year',
  irr: 'the discount rate at which the net present value is zero',
  lcoe: 'Σ years: (price − incentives + upkeep + replacements) ÷ (1 + discount rate)^year, over Σ years: yield ÷ (1 + discount rate)^year',
} satisfies Messages<(typeof formulaCodes)[number]>

/** Inputs of the figures. */
export const terms = {
  'plane-fixed': '{modules, plural, one {# module} other {# modules}} at {tilt}, azimuth {azimuth}',
  'plane-turning': '{modules, plural, one {# tracking module} other {# tracking modules}}',
  'rated-power': 'Rated power',
  weather: 'Weather',
  albedo: 'Albedo',
  'albedo-measured': 'Albedo as measured at the station',
  glass: 'ar of the glass',
  caster: '{caster}',
  'taken-away': '{caster}: gone in this option',
  'trimmed-to': '{caster}: trimmed to {height} in this option',
  'grown-for': '{caster}: {years, plural, one {# year} other {# years}} older in this option',
  'strings-without-input': 'Strings without an input',
  strips: 'Cell strips per module, each with a bypass diode',
  strings: 'Strings',
  'snow-hours': 'Hours with snow on the ground',
  'snow-entered': 'Snow',
  soiling: 'Soiling',
  'light-current': 'IL',
  'saturation-current': 'I0, A',
  'series-resistance': 'Rs',
  'shunt-resistance': 'Rsh',
  'thermal-voltage': 'a',
  'power-coefficient': 'γ of the module',
  'heat-by-light': 'u0, {mount}',
  'heat-by-wind': 'u1, {mount}',
  window: 'Volts of an input, {inverter}',
  start: 'Starts at',
  'hottest-cell': 'Hottest cells',
  optimizer: '{optimizer}, efficiency',
  'optimizer-output': 'Greatest output current',
  'wind-share': 'Wind {height} over ground against the station’s',
  'light-induced': 'Light-induced',
  nameplate: 'Nameplate',
  wiring: 'Wiring',
  connections: 'Connections',
  'cable-length': 'Cable',
  'cable-size': 'Cross-section',
  'cable-drop': 'Voltage drop or rise at full power, at most',
  'other-loss': '{name}',
  inverter: '{inverter}, efficiency',
  inverters: 'Inverters',
  'night-use': 'Own use at night',
  'rated-ac': 'Rated AC power',
  'clipped-hours': 'Hours with clipping',
  'clipped-share': 'Share of the year’s AC energy',
  'module-power': 'Module power',
  downtime: 'Downtime',
  modules: 'Modules',
  'specific-yield': 'Yield per kW of modules',
  'performance-ratio': 'Performance ratio',
  'year-spread': 'Year-to-year variation (standard deviation)',
  'nine-years-of-ten': 'Exceeded in nine years of ten (P90)',
  consumption: 'Consumption',
  'through-battery': 'of which through the battery',
  'clipping-caught': 'taken by the battery before it is clipped, and no loss',
  'cars-on-surplus': 'of which into cars that wait for the sun',
  'export-limit': 'Export limit',
  bought: 'Bought',
  batteries: '{count} × {battery}, usable each',
  usable: 'Usable',
  'efficiency-each-way': 'Efficiency each way',
  'battery-standby': 'Draws itself, day and night',
  reserve: 'Reserve',
  tariff: 'Tariff',
  energy: 'Energy',
  fixed: 'Fixed charges',
  demand: 'Demand charges',
  'taxes-and-credits': 'Taxes and credits',
  'export-credit': 'Export credit',
  'price-work': 'By the watt',
  'price-modules': 'Modules',
  'price-inverter': 'Inverter',
  'price-optimizers': 'Optimizers',
  'price-parts': 'Parts list',
  'price-batteries': 'Batteries',
  'price-adders': 'Additional work',
  markup: 'Sales fee and margin',
  'sales-tax': 'Sales tax',
  'per-watt': 'Price per watt',
  incentive: '{name}',
  'later-incentives': 'Incentives of later years, after tax',
  upkeep: 'Maintenance and yearly costs',
  replacements: 'Replacements',
  payments: 'Paid to lender or owner',
  'saved-first-year': 'Saved in the first year',
  years: 'Years',
  escalation: 'Energy price growth',
  degradation: 'Module degradation',
  'discount-rate': 'Discount rate',
} satisfies Messages<(typeof termCodes)[number]>

/** Documents, data sheets and entries that figures follow. */
export const sources = {
  'reda-andreas-2004': 'Sun position: Reda & Andreas 2004',
  'perez-1990': 'Sky: Perez et al. 1990, all-sites composite',
  'hay-davies-1980': 'Sky: Hay & Davies 1980',
  'martin-ruiz-2001': 'Martin & Ruiz 2001',
  'shadows-on-points':
    'Shadows on {points, number} points of each module, every interval of the year and all over the sky',
  'wiring-entered': 'The wiring as it stands: each string needs an inverter input',
  'string-curve':
    'Current-voltage curve of each string on the single-diode model, {bypass} over a bypass diode',
  'marion-2013': 'Marion et al. 2013',
  'station-snow': 'Snow depth of the station',
  entered: 'As entered',
  'defaults-dobos-2014': 'Defaults: Dobos 2014 (NREL/TP-6A20-62641), table 5',
  'de-soto-2006': 'De Soto et al. 2006',
  'dobos-2012': 'Fitted to the data sheet after Dobos 2012',
  'faiman-2008': 'Faiman 2008',
  'king-2004': 'Coefficients on roofs: King et al. 2004 (SAND2004-3535)',
  'fuentes-1987': 'Change with the gap: Fuentes 1987 (SAND85-0330)',
  'sherman-grimsrud-1980': 'Wind by height: Sherman & Grimsrud 1980',
  'single-diode': 'Single-diode model of the module',
  'king-2007': 'King et al. 2007 (SAND2007-5036)',
  'inverter-measured': 'Measured parameters of the inverter',
  'dobos-2014-inverter': 'Dobos 2014 (NREL/TP-6A20-62641), eq. 11',
  'iec-60364-5-52': 'Copper in service: IEC 60364-5-52:2009, annex G',
  'inverter-sheet': 'Data sheet of the inverter',
  'optimizer-sheet': 'Data sheet of the optimizer',
  'lines-above': 'The lines above',
  'own-use': 'Own use first, hour by hour on the local clock',
  'by-tariff':
    'The battery by the tariff’s prices of the next 24 hours, with sun and consumption as the day before, hour by hour on the local clock',
  'by-forecast':
    'The battery by the tariff’s prices and by sun and consumption of the next 24 hours, as if a forecast came true, hour by hour on the local clock',
  'peak-shaving':
    'The battery for the highest power of each month in the hours that the tariff counts, hour by hour on the local clock',
  'tariff-entered': 'Tariff as entered',
  'offer-entered': 'As entered in the offer',
  'cash-flow': 'Cumulative cash flow, interpolated within the year',
  'all-roots':
    'Every sign change between −99 % and 1000 % is examined; none is shown where there are several or none',
} satisfies Messages<(typeof sourceCodes)[number]>

/** What figures take for granted. */
export const assumptions = {
  'typical-year': 'The station’s typical year holds for the site as it is.',
  'whole-foreground': 'The whole foreground reflects.',
  'clean-glass': 'Clean glass without texture.',
  'crowns-by-month': 'Tree crowns let their share through, month by month.',
  'shade-by-readings':
    'Shade as {count, plural, one {the horizon reading} other {the # horizon readings}} taken on site {count, plural, one {tells} other {tell}} it, in the place of what is drawn.',
  'no-default-shade': 'No default shading loss is added: shade is computed here.',
  'turning-at-rest':
    'Trackers: shade as seen from the rack at rest; rows do not shade each other while they backtrack.',
  'unwired-cost': 'Until they are connected, these modules cost money and yield nothing.',
  'darkest-cell': 'The darkest sampled cell limits its group.',
  'greatest-maximum':
    'The inverter looks over the whole curve and finds the greatest of several maxima; one that climbs from open circuit may stop at a lesser.',
  'own-best-point':
    'Each module works at its own best point: modules of a string do not hold each other back.',
  'steps-down':
    '{modules, plural, one {One module has} other {# modules have}} an optimizer that lowers its volts and raises its current: each gives its own best, as long as the string’s current is no less than its own.',
  'each-inverter-alone': 'Each inverter converts and clips what its own modules give, hour by hour.',
  'no-default-mismatch':
    'No default mismatch loss is added: this one is computed from the light. That modules of one type differ among themselves can be entered as “Manufacturing mismatch”.',
  'entered-snow-unused': 'Snow losses entered by month do not count while the depth is known.',
  spectrum: 'The spectrum is that of the data sheet.',
  'cell-as-back': 'Cell and back of the module are equally warm.',
  suburb:
    'The house stands among houses and trees, the station in open country; its wind is measured 10 m over ground.',
  'first-year-losses': 'The first year; degradation comes with the years of the offer.',
  'light-induced-p-type':
    'Left to the module: its p-type cells lose some power in the first weeks of light, for what boron and oxygen do in them.',
  'light-induced-n-type':
    'Left to the module: its n-type cells lose nothing to light (Lindroos and Savin 2016, Sol. Energy Mater. Sol. Cells 147).',
  'sorted-up': 'Left to the module: its maker sorts upwards, so that none has less than its rated power.',
  'sorted-both-ways': 'Left to the module: its tolerance goes both ways.',
  'cables-by-way':
    'Cables follow the shortest way along roof edges and walls between the devices as they are placed; no share is entered.',
  'own-draw-bought': 'It is covered by what is bought or stored.',
  'means-of-interval': 'Means of {minutes, number} minutes: shorter peaks are not seen.',
  'first-year': 'The first year.',
  'years-normal': 'Years of irradiation on record at the station are normally distributed.',
  'meter-year':
    'Hours as the meter measured them, each on the same weekday of its season, scaled to the annual total.',
  'added-load': 'What will come is part of it, before solar as well as with it.',
  'battery-on-dc-side':
    'The battery is DC-coupled: the sun reaches it without the inverter, and it gives through the inverter at its weighted efficiency, no more than the inverter has left.',
  'car-by-sun':
    'A car that waits for the sun takes what the roof has left, before any battery, and what is missing then in the cheapest hours of the same stay, as if the day ahead were known.',
  'archetype-day': 'An archetype day’s load shape, scaled to the annual total.',
  'means-of-hour': 'Means of an hour: shorter peaks of load and sun may miss each other.',
  'incentive-at-purchase':
    'Rebates and grants come off the price at purchase; tax credits and payments by the kWh come with the years.',
  'paid-by':
    '{way, select, loan {Paid with a loan, by the month.} lease {Leased: the owner looks after it.} ppa {Bought by the kWh from the owner, who looks after it.} other {Paid in cash.}}',
  'years-run-again':
    'Every year is run through load, battery and tariff again with modules and battery a year older.',
  'end-of-year': 'Each year’s cash flow falls at the end of the year.',
} satisfies Messages<(typeof assumptionCodes)[number]>
