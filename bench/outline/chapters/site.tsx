'use client'

import { exportLimitFrom, exportLimitText } from '../export-limit'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { useEffect, useState } from 'react'
import { type Site } from '@/core/kinds/site/site'
import { formatDistance } from '@/core/model/units'
import { stationNoteM, stationWarningM } from '@/core/weather/station'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite, useStations } from '../../context'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { addressesFor, type AddressFound } from '@/services/world'
import { ChoiceField, NumberField } from '../../fields/fields'
import { MonthsField } from '../../fields/months-field'
import { TextField } from '../../fields/text-field'
import { number } from '@/words/format'
import { AddUnderlay } from '../../underlays/add-button'
import { ObjectList, useListed } from '../object-list'
import { Aerial } from './aerial'
import { LotLines } from '../../lots/lot-lines'
import { Customer } from './customer'
import { FarHorizon } from './far-horizon'
import { Structure } from './structure'
import { Readings } from '../../horizon/readings'
import { chosenStation } from '../../stations/station-choice'
import { houseId } from '../../store/documents'

const world = overHttp('/world')
const zones = Intl.supportedValuesOf('timeZone')
const currencies = ['USD', 'AUD', 'EUR', 'GBP', 'CAD', 'NZD', 'CHF', 'ZAR', 'INR', 'JPY']

/** Where the house is and what holds there. */
export function SiteChapter() {
  const { documents } = useBench()
  const site = useSite()
  const listed = useListed('site')
  const set = (label: string, fields: Partial<Site>) => documents.set(label, houseId, site.id, fields)
  const fields = later.fields.site
  const of = { documentId: houseId, objectId: site.id }
  return (
    <>
      <AddressField />
      <p className="quiet mt-1">
        {Math.abs(site.latitudeDeg).toFixed(4)}° {site.latitudeDeg < 0 ? 'S' : 'N'},{' '}
        {Math.abs(site.longitudeDeg).toFixed(4)}° {site.longitudeDeg < 0 ? 'W' : 'E'}
      </p>
      <StationField />
      <Customer />
      <Aerial />
      <AddUnderlay />
      <ObjectList objects={listed.filter(({ kind }) => kind !== 'reading' && kind !== 'lot')} />
      <LotLines />
      <FarHorizon />
      <Readings />
      <h3 className="quiet mt-2">Units and currency</h3>
      <ChoiceField
        label={fields.units}
        value={site.units}
        choices={[
          { value: 'metric', label: 'metric' },
          { value: 'imperial', label: 'feet and inches' },
        ]}
        onChoose={(units) => set('Units', { units })}
      />
      <ChoiceField
        label={fields.currency}
        value={site.currency}
        choices={[...new Set([site.currency, ...currencies])].map((value) => ({ value, label: value }))}
        onChoose={(currency) => set('Currency', { currency })}
      />
      <ChoiceField
        label={fields.timeZone}
        value={site.timeZone}
        choices={[...new Set([site.timeZone, ...zones])].map((value) => ({
          value,
          label: value.replaceAll('_', ' '),
        }))}
        onChoose={(timeZone) => set('Time zone', { timeZone })}
      />
      <h3 className="quiet mt-2">Design conditions</h3>
      <NumberField
        {...of}
        label={fields.lowestTemperatureC}
        name="Lowest temperature"
        unit="°C"
        value={site.lowestTemperatureC}
        fields={(lowestTemperatureC) => ({ lowestTemperatureC })}
      />
      <NumberField
        {...of}
        label={fields.highestTemperatureC}
        name="Highest temperature"
        unit="°C"
        value={site.highestTemperatureC}
        fields={(highestTemperatureC) => ({ highestTemperatureC })}
      />
      <MonthsField
        label={fields.albedoByMonth}
        name="Albedo"
        values={site.albedoByMonth}
        unit=""
        times={1}
        digits={2}
        onSet={(albedoByMonth) => documents.set('Albedo', houseId, site.id, { albedoByMonth })}
      />
      <ChoiceField
        label={fields.skyModel}
        value={site.skyModel}
        choices={[
          { value: 'perez', label: 'Perez 1990' },
          { value: 'hay-davies', label: 'Hay & Davies 1980' },
        ]}
        onChoose={(skyModel) => set('Sky model', { skyModel })}
      />
      <TextField
        label={fields.exportLimitKw}
        shown={exportLimitText(site)}
        width="length"
        hint="none, kW, or % of module power"
        onType={(text) => set('Export limit', exportLimitFrom(text, site.locale))}
      />
      <Structure />
    </>
  )
}

function AddressField() {
  const { documents, session } = useBench()
  const site = useSite()
  const [query, setQuery] = useState('')
  const [found, setFound] = useState<{
    query: string
    choices: readonly AddressFound[]
    fault: Fault | null
  }>({ query: '', choices: [], fault: null })
  useEffect(() => {
    if (query.trim().length < 2) return
    const controller = new AbortController()
    const wait = setTimeout(() => {
      addressesFor(world, query, controller.signal).then(
        (choices) => setFound({ query, choices, fault: null }),
        (error: unknown) =>
          !controller.signal.aborted &&
          setFound({
            query,
            choices: [],
            fault: error instanceof Fault ? error : new Fault('service-away'),
          }),
      )
    }, 150)
    return () => {
      clearTimeout(wait)
      controller.abort()
    }
  }, [query])
  const sayer = useSayer()
  const none = query.trim().length >= 2 && found.query === query && found.choices.length === 0
  return (
    <Combobox
      value={null}
      onChange={(choice: AddressFound | null) => {
        if (!choice) return
        documents.set('Address', houseId, site.id, {
          ...choice.site,
          units: site.units,
          sheetStrength: site.sheetStrength,
          stationId: null,
        })
        session.setState({ selection: null })
        setQuery('')
      }}
    >
      <label className="quiet" htmlFor="site-address">
        Address
      </label>
      <ComboboxInput
        id="site-address"
        className="field"
        placeholder={site.address || 'Street and number'}
        value={query}
        displayValue={() => query}
        onChange={(event) => setQuery(event.target.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <ComboboxOptions
        anchor="bottom start"
        modal={false}
        className="z-50 w-64 rounded-md border border-line bg-card py-1 shadow-lg empty:hidden"
      >
        {query.trim().length >= 2 &&
          found.choices.map((choice) => (
            <ComboboxOption
              key={choice.label}
              value={choice}
              className="cursor-pointer px-2.5 py-1 data-focus:bg-verdigris-soft"
            >
              {choice.label}
            </ComboboxOption>
          ))}
      </ComboboxOptions>
      {none && (
        <p role="alert" className="text-[12px] text-clay">
          {sayer.fault(found.fault ?? new Fault('unknown-address', { address: query }))}
        </p>
      )}
      <p className="mt-1 font-medium">{site.address}</p>
    </Combobox>
  )
}

function StationField() {
  const { documents, session } = useBench()
  const site = useSite()
  const stations = useStations()
  const found = chosenStation(stations, site.stationId)
  if (!found) return <p className="quiet">Looking for weather stations …</p>
  const { station: chosen, standsIn } = found
  const height = Math.round(chosen.elevationM - site.elevationM)
  const heightText = `${site.units === 'metric' ? `${Math.abs(height)} m` : `${Math.round(Math.abs(height) / 0.3048)} ft`} ${height < 0 ? 'lower' : 'higher'}`
  return (
    <>
      <ChoiceField
        wide
        label="Weather"
        value={chosen.id}
        choices={stations.map((station) => ({
          value: station.id,
          label: `${station.name}, ${station.own ? 'own file, ' : ''}${formatDistance(station.distanceM, site.units, site.locale)}`,
        }))}
        onChoose={(stationId) => documents.set('Weather station', houseId, site.id, { stationId })}
      />
      <p
        className={`text-right text-[12px] ${chosen.distanceM > stationWarningM ? 'text-clay' : 'text-pencil'}`}
      >
        {formatDistance(chosen.distanceM, site.units, site.locale)} away, {heightText}
        {chosen.distanceM > stationNoteM &&
          (chosen.distanceM > stationWarningM ? ': too far to be reliable' : ': rather far')}
      </p>
      {chosen.yearSpread !== null && (
        <p className="text-right text-[12px] text-pencil">
          year-to-year variation ±{number(chosen.yearSpread * 100, site, 1)} %
        </p>
      )}
      {standsIn && (
        <p role="alert" className="text-[12px] text-clay">
          The imported file of this job is missing; {chosen.name} stands in.
        </p>
      )}
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <button type="button" className="button" onClick={() => session.setState({ dialog: 'weather' })}>
          Import file
        </button>
        <button type="button" className="button" onClick={() => session.setState({ dialog: 'estimate' })}>
          Estimate
        </button>
      </div>
    </>
  )
}
