import { yearStartMs } from '../model/model-year'
import { digest } from '../model/digest'
import { ofKind, theOne, type Objects } from '../model/document'
import { Fault } from '../model/fault'
import { coverId } from '../model/kinds/cover'
import { electricalId } from '../model/kinds/electrical'
import { loadId } from '../model/kinds/load'
import { lossesId } from '../model/kinds/losses'
import { offerId } from '../model/kinds/offer'
import { siteId } from '../model/kinds/site'
import { storageId } from '../model/kinds/storage'
import { tariffNowId, tariffThenId } from '../model/kinds/tariff'
import { localClock } from '../model/local-clock'
import { dispatchOwnUse, type BatteryRun } from '../battery/own-use'
import { type BatteryType, type Catalogue, type InverterType, type ModuleType } from '../electrical/catalogue'
import { stringUp, stringWindow } from '../electrical/stringing'
import { mountHeat } from '../energy/cell-temperature'
import { fitDiode } from '../energy/fit-diode'
import { diodePower } from '../energy/module-power'
import { hourlyLoad } from '../load/hourly-load'
import { rayEngine } from '../shade/ray-engine'
import { bodiesOf, roofsOf } from '../shade/scene'
import { type CellGroups, type ShadeEngine } from '../shade/engine'
import { sunHours, type SunHours } from '../sun/sun-hours'
import { trackedNormals } from '../sun/tracker'
import { billOf } from '../tariff/bill'
import { hourlyPrice } from '../tariff/price'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { acYear } from './ac'
import { dcYear } from './dc'
import { lossChain } from './loss-chain'
import { Memo, type StageTime } from './memo'
import { agedBills, moneyOf, priceOf } from './money'
import { panelLight } from './panel-light'
import { layPanels, rackBodies, type LaidArray } from './panels'
import { planeLight, type PlaneLight } from './plane-light'
import { slideTiltDeg, snowOnPlane } from './snow-on-plane'

/** What a run is about: the two documents and the world around them. */
export interface PipelineInput {
  readonly house: Objects
  readonly option: Objects
  readonly catalogue: Catalogue
  readonly weather: WeatherYear
  /** Tells weather years apart. */
  readonly weatherKey: string
  readonly station: {
    readonly id: string
    readonly name: string
    readonly distanceM: number
    readonly elevationM: number
    /** Standard deviation of a year's light as a share of the mean; null where it is not known. */
    readonly yearSpread: number | null
    /** Whether it stands in for an imported file that is not at hand. */
    readonly standsIn: boolean
  }
}

/** Everything a run yields, stage by stage. */
export type PipelineResult = ReturnType<Pipeline['run']>

/** Modules whose shade and light are remembered, some 150 kB each. */
const keptPanels = 400

const chosen = <T extends { readonly id: string }>(list: readonly T[], id: string, what: string): T => {
  const found = list.find((item) => item.id === id)
  if (!found) throw new Fault('unknown-equipment', `The catalogue has no ${what} "${id}".`, id)
  return found
}

/**
 * The chain from sunlight to payback as a fixed list of stages. Each stage reads what stands in its call and nothing
 * else; its key is the digest of that, so an edit recomputes what it reaches. The same class runs in the browser's
 * worker, on the server and in the terminal.
 */
export class Pipeline {
  readonly #memo = new Memo()
  readonly #engine: ShadeEngine

  constructor(engine: ShadeEngine = rayEngine) {
    this.#engine = engine
  }

  run(input: PipelineInput) {
    const { house, option, catalogue, weather } = input
    const memo = this.#memo
    memo.times = []
    const site = theOne(house, 'site', siteId)
    const cover = theOne(option, 'cover', coverId)
    const electrical = theOne(option, 'electrical', electricalId)
    const losses = theOne(option, 'losses', lossesId)
    const storage = theOne(option, 'storage', storageId)
    const offer = theOne(option, 'offer', offerId)
    const load = theOne(house, 'load', loadId)
    const tariffNow = theOne(house, 'tariff', tariffNowId)
    const tariffThen = theOne(house, 'tariff', tariffThenId)
    const module: ModuleType = chosen(catalogue.modules, cover.moduleId, 'module')
    const inverter: InverterType = chosen(catalogue.inverters, electrical.inverterId, 'inverter')
    const battery: BatteryType | null = storage.batteryId
      ? chosen(catalogue.batteries, storage.batteryId, 'battery')
      : null
    const weatherAt = { key: input.weatherKey, zone: weather.timeZoneHours, step: weather.stepMinutes }

    const sun = memo.stage(
      'sun',
      1,
      {
        latitudeDeg: site.latitudeDeg,
        longitudeDeg: site.longitudeDeg,
        elevationM: site.elevationM,
        zone: weatherAt.zone,
        step: weatherAt.step,
      },
      [],
      (place) => sunHours(place, place.zone, place.step),
    )
    const solids = {
      volumes: ofKind(house, 'volume'),
      chimneys: ofKind(house, 'chimney'),
      trees: ofKind(house, 'tree'),
    }
    const occluders = memo.stage('occluders', 1, solids, [], () => {
      const { roofs, faults } = roofsOf(house)
      return { roofs, faults, bodies: bodiesOf(house, roofs) }
    })
    const laid = memo.stage(
      'panels',
      1,
      {
        volumes: solids.volumes,
        chimneys: solids.chimneys,
        arrays: ofKind(option, 'array'),
        racks: ofKind(option, 'rack'),
        setbacks: cover.setbacksM,
        size: [module.widthM, module.lengthM],
      },
      [],
      ({ arrays, racks }) => layPanels(arrays, racks, cover, module, house, occluders.value.roofs),
    )
    const groups = { strips: module.strips, halves: module.halves }
    const engine = this.#engine
    const standing = memo.stage('racks', 1, ofKind(option, 'rack'), [laid], () => rackBodies(laid.value))
    const visibility = memo.stage(
      'visibility',
      engine.version,
      { engine: engine.name, groups },
      [laid, occluders, standing, sun],
      () => {
        const bodies = [...occluders.value.bodies, ...standing.value]
        const around = digest([
          engine.name,
          engine.version,
          groups,
          occluders.key,
          sun.key,
          // Rows as they stand: a module taken out of one changes nobody's view.
          laid.value.arrays.map(({ rows }) => rows),
        ])
        return laid.value.arrays.map((array) => {
          const { normal } = array.plane
          return array.panels.map((panel) => {
            const key = digest([around, panel.corners])
            const shade = memo.part('panel visibility', key, keptPanels, () =>
              engine.shade({ id: panel.id, corners: panel.corners }, groups, normal, bodies, sun.value),
            )
            return { panelId: panel.id, key, shade }
          })
        })
      },
    )
    const sky = memo.stage('sky', 2, { weather: weatherAt.key, model: site.skyModel }, [sun], ({ model }) =>
      skyYear(weather, sun.value, model),
    )
    const irradiance = memo.stage(
      'irradiance',
      2,
      {
        weather: weatherAt.key,
        albedo: site.albedoByMonth,
        facing: laid.value.arrays.map((array) => array.tracker ?? array.plane.normal),
      },
      [sky],
      ({ facing, albedo }) =>
        facing.map((way) => {
          const key = digest([albedo, way, sky.key])
          return {
            key,
            light: memo.part('plane light', key, 24, () =>
              planeLight(sky.value, 'kind' in way ? trackedNormals(way, sun.value) : way, {
                albedoByMonth: albedo,
              }),
            ),
          }
        }),
    )
    const snow = memo.stage(
      'snow',
      1,
      {
        planes: laid.value.arrays.map(({ plane, tracker, panels }) => [
          plane.pitchDeg,
          tracker,
          panels[0]?.orientation,
        ]),
        groups,
      },
      [irradiance],
      () =>
        laid.value.arrays.map((array, a) => {
          const light = irradiance.value[a]?.light
          return light ? snowOn(array, light, weather, sun.value, groups) : null
        }),
    )
    const shade = memo.stage('shade', 2, { groups }, [visibility, irradiance], () =>
      visibility.value.map((panels, a) => {
        const plane = irradiance.value[a]
        if (!plane) throw new RangeError('every array lies on a plane with its light')
        return panels.map(({ panelId, key, shade: seen }) => ({
          panelId,
          light: memo.part('panel light', digest([key, plane.key]), keptPanels, () =>
            panelLight(plane.light, seen, groups, sun.value.stepMinutes),
          ),
        }))
      }),
    )
    const wiring = memo.stage(
      'strings',
      1,
      {
        modulesPerString: electrical.modulesPerString,
        inverter,
        module,
        lowest: site.lowestTemperatureC,
        highest: site.highestTemperatureC,
        fields: laid.value.arrays.map((array) => array.panels.map((panel) => panel.id)),
      },
      [],
      (reads) => {
        const window = stringWindow(module, inverter, reads.lowest, reads.highest)
        return {
          window,
          strings: stringUp(reads.fields, inverter, reads.modulesPerString ?? Math.max(1, window.most)),
        }
      },
    )
    const sheet = memo.stage(
      'module model',
      1,
      {
        vocV: module.vocV,
        vmpV: module.vmpV,
        iscA: module.iscA,
        impA: module.impA,
        vocPerK: module.vocPerK,
        iscPerK: module.iscPerK,
        powerPerK: module.powerPerK,
      },
      [],
      (reads) => {
        const model = fitDiode(reads)
        return { model, power: diodePower(model) }
      },
    )
    const dc = memo.stage(
      'dc',
      4,
      {
        powerW: module.powerW,
        losses,
        weather: weatherAt.key,
        strings: wiring.value.strings,
        mounts: laid.value.arrays.map((array) => array.mount),
        withVolts: inverter.king !== undefined,
      },
      [shade, sheet, snow],
      ({ strings, withVolts }) => {
        const lights = new Map(
          shade.value.flatMap((panels, a) =>
            panels.map(({ panelId, light }) => [panelId, { light, a }] as const),
          ),
        )
        const lit = strings.flatMap(({ panelIds, input: place }) => {
          const found = panelIds.flatMap((id) => lights.get(id) ?? [])
          const a = found[0]?.a ?? -1
          const [array, light] = [laid.value.arrays[a], irradiance.value[a]?.light]
          if (!array || !light) return []
          return {
            connected: place >= 0,
            panels: found.map((panel) => panel.light),
            conditions: { light, heat: mountHeat[array.mount], snowLost: snow.value[a] ?? null },
          }
        })
        return dcYear(lit, {
          module,
          power: sheet.value.power,
          losses,
          weather,
          sun: sun.value,
          withVolts,
        })
      },
    )
    const count = laid.value.arrays.reduce((sum, array) => sum + array.panels.length, 0)
    const ac = memo.stage(
      'ac',
      2,
      { inverter, availability: losses.availability, any: count > 0 },
      [dc, sun],
      (reads) => acYear(dc.value, sun.value, inverter, reads.availability, reads.any),
    )
    const clock = memo.stage(
      'clock',
      1,
      {
        zone: site.timeZone,
        start: yearStartMs(weather.timeZoneHours),
        step: weather.stepMinutes,
        intervals: sun.value.intervals,
      },
      [],
      (reads) => localClock(reads.zone, reads.start, reads.step, reads.intervals),
    )
    const chain = memo.stage('loss chain', 1, {}, [dc, ac, clock], () =>
      lossChain(dc.value, ac.value, sun.value, clock.value.month),
    )
    const used = memo.stage(
      'load',
      1,
      { annualKwh: load.annualKwh, shape: load.shape, latitude: site.latitudeDeg },
      [clock],
      (reads) => hourlyLoad(reads, clock.value, reads.latitude),
    )
    const run: BatteryRun | null = battery && {
      usableKwh: battery.usableKwh * storage.count,
      chargeKw: battery.chargeKw * storage.count,
      dischargeKw: battery.dischargeKw * storage.count,
      efficiency: battery.efficiency,
      reserve: storage.reserve,
    }
    const stepHours = weather.stepMinutes / 60
    const dispatch = memo.stage(
      'dispatch',
      1,
      { run, limit: site.exportLimitKw, stepHours },
      [ac, used],
      (reads) => dispatchOwnUse(ac.value.kwhByInterval, used.value, reads.stepHours, reads.run, reads.limit),
    )
    const before = memo.stage('bill before', 1, { tariffNow }, [used, clock], () => {
      const price = hourlyPrice(tariffNow, clock.value)
      return { price, bill: billOf(tariffNow, price, clock.value, used.value) }
    })
    const after = memo.stage('bill', 1, { tariffThen }, [dispatch, clock], () => {
      const price = hourlyPrice(tariffThen, clock.value)
      return {
        price,
        bill: billOf(tariffThen, price, clock.value, dispatch.value.bought, dispatch.value.sold),
      }
    })
    const powerW = count * module.powerW
    const batteries = battery ? storage.count : 0
    const billsToCome = memo.stage(
      'years',
      1,
      {
        years: offer.years,
        degradation: module.degradation,
        limit: site.exportLimitKw,
        run,
        tariffThen,
        stepHours,
      },
      [ac, used, after],
      (reads) =>
        agedBills({
          ...reads,
          yieldKwh: ac.value.kwhByInterval,
          loadKwh: used.value,
          battery: reads.run,
          exportLimitKw: reads.limit,
          tariff: reads.tariffThen,
          price: after.value.price,
        }),
    )
    const money = memo.stage(
      'finance',
      2,
      { offer: { ...offer, name: '' }, powerW, batteries },
      [before, billsToCome],
      (reads) => {
        const price = priceOf(offer, reads.powerW, reads.batteries)
        return { price, ...moneyOf(offer, price, before.value.bill.annual, billsToCome.value) }
      },
    )
    const times: readonly StageTime[] = memo.times
    return {
      input,
      site,
      cover,
      electrical,
      losses,
      storage,
      offer,
      load,
      tariffNow,
      tariffThen,
      module,
      inverter,
      battery,
      count,
      powerW,
      sun: sun.value,
      clock: clock.value,
      roofs: occluders.value.roofs,
      roofFaults: occluders.value.faults,
      laid: laid.value,
      light: irradiance.value.map(({ light }) => light),
      panelLights: shade.value,
      wiring: wiring.value,
      diode: sheet.value.model,
      chain: chain.value,
      dc: dc.value,
      ac: ac.value,
      loadKwh: used.value,
      dispatch: dispatch.value,
      before: before.value,
      after: after.value,
      money: money.value,
      times,
    }
  }
}

/** Snow on an array: strips run along the long side, so snow from below darkens all of them where modules stand upright. */
function snowOn(
  array: LaidArray,
  light: PlaneLight,
  weather: WeatherYear,
  sun: SunHours,
  groups: CellGroups,
): Float32Array | null {
  const rows = array.panels[0]?.orientation === 'landscape' ? groups.strips : groups.halves
  return snowOnPlane(light, weather, sun, slideTiltDeg(array.tracker, array.plane.pitchDeg), rows)
}
