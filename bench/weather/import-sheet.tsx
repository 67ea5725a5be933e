'use client'

import { useRef, useState, type DragEvent } from 'react'
import { Fault } from '@/core/model/fault'
import { checkFileSize } from '@/core/model/file-size'
import { largestWeatherBytes } from '@/core/weather/text'
import { type WeatherPlace } from '@/core/weather/read-weather'
import { greatCircleM } from '@/core/weather/station'
import { ownStationId } from '@/core/weather/own-weather'
import { standardOffsetHours } from '@/core/model/local-clock'
import { modelYear } from '@/core/model/model-year'
import { type OpenedWeather } from '@/workers/weather-messages'
import { useBench, useSayer, useSite } from '../context'
import { sendWeather } from '../requests'
import { Sheet } from '../sheet'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { Found } from './found-weather'
import { MappingTable } from './mapping-table'

type Chosen = Pick<OpenedWeather, 'mapping' | 'shiftMinutes'>

/** Choosing a weather file, seeing what it holds, saying what its columns mean, and taking it for the job. */
export function ImportSheet() {
  const { session, desk, documents, stations } = useBench()
  const site = useSite()
  const [name, setName] = useState('')
  const [opened, setOpened] = useState<OpenedWeather | null>(null)
  // Ahead of what is read while the worker reads: the next choice builds on the one before.
  const [chosen, setChosen] = useState<Chosen | null>(null)
  const [wrong, setWrong] = useState<Fault | null>(null)
  const sayer = useSayer()
  // Readings that are under way: of several only the last one asked for is shown.
  const [underWay, setUnderWay] = useState(0)
  const latest = useRef(0)
  const busy = underWay > 0
  const close = () => session.setState({ dialog: null })
  const place = (of: string): WeatherPlace => ({
    name: of.replace(/\.[^.]+$/, '').slice(0, 80),
    latitudeDeg: site.latitudeDeg,
    longitudeDeg: site.longitudeDeg,
    elevationM: site.elevationM,
    timeZoneHours: standardOffsetHours(site.timeZone, modelYear),
  })
  const guard = async (work: (isLatest: () => boolean) => Promise<void>) => {
    const mine = ++latest.current
    const isLatest = () => mine === latest.current
    setUnderWay((n) => n + 1)
    setWrong(null)
    try {
      await work(isLatest)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      if (isLatest()) setWrong(error)
    } finally {
      setUnderWay((n) => n - 1)
    }
  }
  const open = (file: File) =>
    guard(async (isLatest) => {
      setOpened(null)
      setChosen(null)
      setName(file.name)
      checkFileSize(file.size, largestWeatherBytes)
      const bytes = await file.arrayBuffer()
      const { opened: found } = await desk.ask('opened', { type: 'open', bytes, place: place(file.name) }, [
        bytes,
      ])
      if (isLatest()) setOpened(found)
    })
  const map = (changed: Partial<Chosen>) =>
    guard(async (isLatest) => {
      const { mapping, shiftMinutes }: Chosen = {
        mapping: null,
        shiftMinutes: 0,
        ...opened,
        ...chosen,
        ...changed,
      }
      setChosen({ mapping, shiftMinutes })
      const request = {
        type: 'map',
        mapping,
        shiftMinutes,
        place: opened?.reading?.place ?? place(name),
      } as const
      const { opened: read } = await desk.ask('opened', request)
      if (isLatest()) setOpened(read)
    })
  const mapping = chosen?.mapping ?? opened?.mapping
  const take = () =>
    guard(async () => {
      const { csv } = await desk.ask('table', { type: 'table' })
      const answer = await sendWeather(csv)
      const id = ownStationId(answer.id)
      const { latitudeDeg, longitudeDeg, elevationM, name: called } = opened?.reading?.place ?? place(name)
      stations.add({
        id,
        name: called,
        elevationM,
        distanceM: greatCircleM(site.latitudeDeg, site.longitudeDeg, latitudeDeg, longitudeDeg),
        yearSpread: null,
        own: true,
      })
      const { step } = documents.edit('Weather file', houseId, (before) => ({
        ...before,
        [site.id]: { ...site, stationId: id },
      }))
      toast(session, `${name} is now the weather of this job.`, step)
      close()
    })
  return (
    <Sheet title="Import weather" onClose={close}>
      <FileField name={name} busy={busy} onFile={(file) => void open(file)} />
      {wrong !== null && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {name ? `${name}: ` : ''}
          {sayer.fault(wrong)}
        </p>
      )}
      {opened?.fault && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {sayer.fault(opened.fault)}
        </p>
      )}
      {opened && mapping && (
        <MappingTable opened={opened} mapping={mapping} onMap={(changed) => void map({ mapping: changed })} />
      )}
      {opened?.reading && <Found opened={opened} onShift={(shiftMinutes) => void map({ shiftMinutes })} />}
      {opened && (
        <div className="mt-4 flex items-center justify-end gap-2">
          <p className="quiet flex-1">
            The job stays as it is until you use the file. Undo brings the old weather back.
          </p>
          <button type="button" className="button" onClick={close}>
            Cancel
          </button>
          <button
            type="button"
            className="button button-main"
            disabled={!opened.reading || busy}
            onClick={() => void take()}
          >
            Use this weather
          </button>
        </div>
      )}
    </Sheet>
  )
}

function FileField({
  name,
  busy,
  onFile,
}: {
  readonly name: string
  readonly busy: boolean
  readonly onFile: (file: File) => void
}) {
  const drop = (event: DragEvent) => {
    event.preventDefault()
    const file = event.dataTransfer.files[0]
    if (file) onFile(file)
  }
  return (
    <label
      className="block cursor-pointer rounded-lg border border-dashed border-pencil px-4 py-4 text-center focus-within:border-verdigris hover:bg-fold"
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
    >
      <span className="font-semibold text-verdigris">{name || 'Choose a file'}</span>
      {/* Beside the name, so that nothing below moves under the pointer while the file is read again. */}
      {busy && <span className="quiet"> Reading …</span>}
      <span className="quiet block">
        EPW, or a CSV table of hours or shorter intervals; or drop it here. At most{' '}
        {largestWeatherBytes / 1e6} MB.
      </span>
      <input
        type="file"
        className="sr-only"
        accept=".epw,.csv,.txt,.tsv,.dat"
        aria-label="Weather file"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) onFile(file)
          event.target.value = ''
        }}
      />
    </label>
  )
}
