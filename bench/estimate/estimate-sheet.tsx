'use client'

import { useEffect, useMemo, useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { Fault, type FaultDetail } from '@/core/model/fault'
import { coverId } from '@/core/kinds/cover/cover'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { lossesId } from '@/core/kinds/losses/losses'
import { tariffNowId } from '@/core/kinds/tariff/tariff'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import {
  estimateAzimuths,
  estimateTilts,
  modulesForBill,
  type QuickEstimate,
} from '@/core/energy/quick-estimate'
import { type Mount } from '@/core/energy/cell-temperature'
import { useBench, useCatalogue, useHouse, useOption, useSayer, useSite, useStations } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { moneySign, number } from '@/words/format'
import { Sheet } from '../sheet'
import { LayWanted } from './lay-wanted'
import { cssColour, sunMapColour, textOn } from '@/stage/palette'
import { chosenStation, weatherUrlOf } from '../stations/station-choice'

interface Plane {
  readonly tiltDeg: number
  readonly azimuthDeg: number
  readonly kwhPerKw: number
}

const compass = ['N', 'NNE', 'ENE', 'E', 'ESE', 'SSE', 'S', 'SSW', 'WSW', 'W', 'WNW', 'NNW'] as const
const mostCompared = 4

/** The first answer on the phone: what a kilowatt gives by plane, and how many modules a bill asks for. */
export function EstimateSheet() {
  const { session } = useBench()
  const catalogue = useCatalogue()
  const option = useOption()
  const site = useSite()
  const sayer = useSayer()
  const station = chosenStation(useStations(), site.stationId)?.station
  const [mount, setMount] = useState<Mount>('close')
  const { estimate, fault, fresh } = useEstimate(mount)
  const [planes, setPlanes] = useState<readonly Plane[]>([])
  const module = catalogue.modules.find((m) => m.id === theOne(option, 'cover', coverId).moduleId)
  const close = () => session.setState({ dialog: null })
  const best = estimate?.best
  // The mount may have changed since a plane was chosen: its figure is the newest table's.
  const chosen = planes.map((plane) => ({
    ...plane,
    kwhPerKw:
      estimate?.kwhPerKw[estimateTilts.findIndex((tilt) => tilt === plane.tiltDeg)]?.[
        estimateAzimuths.findIndex((azimuth) => azimuth === plane.azimuthDeg)
      ] ?? plane.kwhPerKw,
  }))
  const compared: readonly Plane[] = chosen.length > 0 ? chosen : best ? [best] : []
  const toggle = (plane: Plane) =>
    setPlanes((now) => {
      const rest = now.filter((p) => p.tiltDeg !== plane.tiltDeg || p.azimuthDeg !== plane.azimuthDeg)
      return rest.length < now.length ? rest : [...now, plane].slice(-mostCompared)
    })
  return (
    <Sheet title="Quick estimate" onClose={close}>
      {fault !== null && (
        <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
          {sayer.fault(fault)}
        </p>
      )}
      {!estimate && fault === null && <p className="quiet">Computing a year for 120 planes …</p>}
      {estimate && best && (
        <div aria-busy={!fresh} className={fresh ? '' : 'opacity-60'}>
          <p>
            Best plane:{' '}
            <strong>
              {best.tiltDeg}° tilt, {number(best.azimuthDeg, site)}° azimuth
            </strong>
            , {number(best.kwhPerKw, site)} kWh a year per kilowatt of modules. Weather:{' '}
            {station?.name ?? 'the station'}; {module?.name}; no shade.
          </p>
          <PlaneTable estimate={estimate} chosen={compared} onChoose={toggle} />
          <div className="mt-4 grid grid-cols-[1.2fr_1fr] gap-6">
            <Comparison estimate={estimate} planes={compared} />
            <div>
              <ChoiceField
                label="Mounting"
                value={mount}
                choices={[
                  { value: 'close', label: 'close to roof' },
                  { value: 'raised', label: 'raised' },
                  { value: 'open', label: 'open rack' },
                ]}
                onChoose={setMount}
              />
              <BillSizing
                estimate={estimate}
                plane={compared[0] ?? best}
                modulePowerW={module?.powerW ?? 0}
              />
            </div>
          </div>
        </div>
      )}
    </Sheet>
  )
}

/** The table of the job's weather, module, losses and inverter. */
function useEstimate(mount: Mount): {
  estimate: QuickEstimate | null
  fault: FaultDetail | null
  /** Whether the table belongs to what is chosen now. */
  fresh: boolean
} {
  const { desk } = useBench()
  const catalogue = useCatalogue()
  const option = useOption()
  const site = useSite()
  const station = chosenStation(useStations(), site.stationId)?.station
  const [state, setState] = useState<{
    estimate: QuickEstimate | null
    fault: FaultDetail | null
    of: object | null
  }>({
    estimate: null,
    fault: null,
    of: null,
  })
  const module = catalogue.modules.find((m) => m.id === theOne(option, 'cover', coverId).moduleId)
  const inverter = catalogue.inverters.find(
    (i) => i.id === theOne(option, 'electrical', electricalId).inverterId,
  )
  const losses = theOne(option, 'losses', lossesId)
  const weatherUrl = station && weatherUrlOf(station.id)
  const request = useMemo(
    () =>
      module && inverter && weatherUrl !== undefined
        ? ({ type: 'estimate', weatherUrl, site, module, inverter, losses, mount } as const)
        : null,
    [weatherUrl, site, module, inverter, losses, mount],
  )
  useEffect(() => {
    if (!request) return
    let gone = false
    desk.ask('estimated', request).then(
      ({ estimate }) => !gone && setState({ estimate, fault: null, of: request }),
      (error: unknown) =>
        !gone &&
        setState({
          estimate: null,
          of: request,
          fault: error instanceof Fault ? error : new Fault('unexpected'),
        }),
    )
    return () => {
      gone = true
    }
  }, [desk, request])
  return { ...state, fresh: state.of === request }
}

function PlaneTable({
  estimate,
  chosen,
  onChoose,
}: {
  readonly estimate: QuickEstimate
  readonly chosen: readonly Plane[]
  readonly onChoose: (plane: Plane) => void
}) {
  const site = useSite()
  const all = estimate.kwhPerKw.flat()
  const [low, high] = [Math.min(...all), Math.max(...all)]
  return (
    <div className="mt-3 overflow-x-auto">
      <table
        className="w-full table-fixed border-collapse text-right"
        aria-label="Annual yield per kilowatt by tilt and azimuth"
      >
        <caption className="quiet pb-1 text-left">
          Annual yield in kWh per kilowatt: tilt down, azimuth across. Click planes to compare them.
        </caption>
        <thead>
          <tr>
            <td className="w-10" />
            {estimateAzimuths.map((azimuth, a) => (
              <th key={azimuth} scope="col" className="px-1 pb-1 text-[12px] font-normal text-pencil">
                {azimuth}° {compass[a]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {estimate.kwhPerKw.map((row, t) => (
            <tr key={estimateTilts[t]}>
              <th scope="row" className="pr-2 text-[12px] font-normal text-pencil">
                {estimateTilts[t]}°
              </th>
              {row.map((value, a) => {
                const plane = {
                  tiltDeg: estimateTilts[t] ?? 0,
                  azimuthDeg: estimateAzimuths[a] ?? 0,
                  kwhPerKw: value,
                }
                const picked = chosen.some(
                  (p) => p.tiltDeg === plane.tiltDeg && p.azimuthDeg === plane.azimuthDeg,
                )
                const colour = sunMapColour((value - low) / Math.max(1, high - low))
                return (
                  <td key={a} className="p-0">
                    <button
                      type="button"
                      aria-pressed={picked}
                      aria-label={`${plane.tiltDeg}° tilt, ${plane.azimuthDeg}° azimuth: ${value.toFixed(0)} kWh`}
                      className={`h-7 w-full cursor-pointer px-1 text-right ${picked ? 'outline-2 -outline-offset-2 outline-verdigris font-semibold' : ''}`}
                      style={{ background: cssColour(colour), color: textOn(colour) }}
                      onClick={() => onChoose(plane)}
                    >
                      {number(value, site)}
                    </button>
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Comparison({
  estimate,
  planes,
}: {
  readonly estimate: QuickEstimate
  readonly planes: readonly Plane[]
}) {
  const site = useSite()
  return (
    <section aria-label="Planes side by side">
      <h3 className="font-semibold">Comparison</h3>
      <table className="w-full">
        <thead>
          <tr className="text-left text-[12px] text-pencil">
            <th scope="col" className="py-1 font-normal">
              Plane
            </th>
            <th scope="col" className="text-right font-normal">
              kWh/kW
            </th>
            <th scope="col" className="text-right font-normal">
              of best
            </th>
            <th scope="col" className="w-2/5" />
          </tr>
        </thead>
        <tbody>
          {planes.map((plane) => {
            const share = plane.kwhPerKw / estimate.best.kwhPerKw
            return (
              <tr key={`${plane.tiltDeg} ${plane.azimuthDeg}`} className="border-t border-line">
                <th scope="row" className="py-1 text-left font-normal">
                  {plane.tiltDeg}° tilt, {number(plane.azimuthDeg, site)}° azimuth
                </th>
                <td className="text-right font-semibold">{number(plane.kwhPerKw, site)}</td>
                <td className="text-right">{number(share * 100, site, 1)} %</td>
                <td className="pl-3">
                  <div className="h-2.5 bg-straw" style={{ width: `${share * 100}%` }} />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}

/** From the bill to the number of modules. */
function BillSizing({
  estimate,
  plane,
  modulePowerW,
}: {
  readonly estimate: QuickEstimate
  readonly plane: Plane
  readonly modulePowerW: number
}) {
  const site = useSite()
  const sayer = useSayer()
  const house = useHouse()
  const tariff = theOne(house, 'tariff', tariffNowId)
  const [bill, setBill] = useState(150)
  const [price, setPrice] = useState(tariff.pricePerKwh)
  const [offset, setOffset] = useState(1)
  const sign = moneySign(site)
  const size = useMemo(() => {
    try {
      return modulesForBill({
        billPerMonth: bill,
        pricePerKwh: price,
        offset,
        kwhPerKw: plane.kwhPerKw,
        modulePowerW,
      })
    } catch (error) {
      if (error instanceof Fault) return error
      throw error
    }
  }, [bill, price, offset, plane, modulePowerW])
  const take =
    (set: (value: number) => void, parse: (text: string, locale: string) => number) => (text: string) => {
      const value = parse(text, site.locale)
      if (value < 0) return new Fault('below-zero')
      set(value)
      return null
    }
  return (
    <section aria-label="From a bill to modules" className="mt-2">
      <h3 className="font-semibold">From a bill</h3>
      <TextField
        label="Monthly bill"
        shown={number(bill, site)}
        unit={sign}
        onType={take(setBill, parseNumber)}
      />
      <TextField
        label="Price per kWh"
        shown={number(price, site, 3)}
        unit={sign}
        onType={take(setPrice, parseNumber)}
      />
      <TextField
        label="Solar share"
        shown={number(offset * 100, site)}
        unit="%"
        onType={take(setOffset, parsePercent)}
      />
      {size instanceof Fault ? (
        <p role="alert" className="text-clay">
          {sayer.fault(size)}
        </p>
      ) : (
        <p className="mt-1.5 rounded-md bg-fold px-2.5 py-2" aria-live="polite">
          <strong className="text-[18px]">{number(size.modules, site)} modules</strong>,{' '}
          {number(size.kilowatts, site, 2)} kW at {plane.tiltDeg}° tilt, {number(plane.azimuthDeg, site)}°
          azimuth
          <span className="quiet block">
            {number(size.annualKwh, site)} kWh consumed a year, {number(size.wantedKwh, site)} kWh from solar
          </span>
        </p>
      )}
      {!(size instanceof Fault) && <LayWanted estimate={estimate} wanted={size.modules} />}
    </section>
  )
}
