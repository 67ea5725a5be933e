import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects, ofKind, theOne } from '@/core/model/document'
import { coverId } from '@/core/model/kinds/cover'
import { electricalId } from '@/core/model/kinds/electrical'
import { offerId } from '@/core/model/kinds/offer'
import { siteId, type Site } from '@/core/model/kinds/site'
import { storageId } from '@/core/model/kinds/storage'
import { type LedgerLine } from '@/core/pipeline/explanation'
import { type RunSummary } from '@/core/pipeline/summary'

/** All that the customer's page shows; nothing else of the job leaves the server. */
export interface ProposalData {
  readonly jobName: string
  readonly optionName: string
  readonly site: Pick<
    Site,
    'address' | 'locale' | 'currency' | 'units' | 'latitudeDeg' | 'longitudeDeg' | 'elevationM' | 'timeZone'
  >
  readonly house: Objects
  /** Cover and arrays: what the roof picture needs. */
  readonly cover: Objects
  readonly modules: Catalogue['modules']
  readonly summary: Pick<RunSummary, 'monthly' | 'cash'> & {
    readonly ledger: readonly Pick<LedgerLine, 'id' | 'label' | 'value' | 'unit'>[]
  }
  readonly equipment: readonly { readonly count: number; readonly name: string; readonly facts: string }[]
  readonly years: number
  readonly escalation: number
  readonly incentiveShare: number
}

const shown = new Set([
  'yield',
  'used',
  'sold',
  'self-sufficiency',
  'bill-now',
  'bill-then',
  'price',
  'net-price',
  'payback',
  'npv',
  'irr',
])

export function proposalData(
  jobName: string,
  house: Objects,
  option: Objects,
  catalogue: Catalogue,
  summary: RunSummary,
): ProposalData {
  const site = theOne(house, 'site', siteId)
  const offer = theOne(option, 'offer', offerId)
  const cover = theOne(option, 'cover', coverId)
  const storage = theOne(option, 'storage', storageId)
  const module = catalogue.modules.find((m) => m.id === cover.moduleId)
  const inverter = catalogue.inverters.find(
    (i) => i.id === theOne(option, 'electrical', electricalId).inverterId,
  )
  const battery = catalogue.batteries.find((b) => b.id === storage.batteryId)
  const drawn = [...ofKind(house, 'volume'), ...ofKind(house, 'chimney'), ...ofKind(house, 'tree')]
  return {
    jobName,
    optionName: offer.name,
    site: {
      address: site.address,
      locale: site.locale,
      currency: site.currency,
      units: site.units,
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: site.longitudeDeg,
      elevationM: site.elevationM,
      timeZone: site.timeZone,
    },
    house: Object.fromEntries(drawn.map((object) => [object.id, object])),
    cover: Object.fromEntries([cover, ...ofKind(option, 'array')].map((object) => [object.id, object])),
    modules: module ? [module] : [],
    summary: {
      monthly: summary.monthly,
      cash: summary.cash,
      ledger: summary.ledger
        .filter((line) => shown.has(line.id))
        .map(({ id, label, value, unit }) => ({ id, label, value, unit })),
    },
    equipment: [
      ...(module
        ? [
            {
              count: summary.count,
              name: module.name,
              facts: `modules of ${module.powerW} W, ${(summary.powerW / 1000).toFixed(2)} kW together`,
            },
          ]
        : []),
      ...(inverter
        ? [{ count: 1, name: inverter.name, facts: `inverter, ${(inverter.acPowerW / 1000).toFixed(1)} kW` }]
        : []),
      ...(battery
        ? [{ count: storage.count, name: battery.name, facts: `battery, ${battery.usableKwh} kWh usable` }]
        : []),
    ],
    years: offer.years,
    escalation: offer.escalation,
    incentiveShare: offer.incentiveShare,
  }
}
