import { clockOfHour, dateOfDay, dayOfDate, hourOfClock } from '@/core/model/moment'
import { modelYear } from '@/core/model/model-year'
import { type Chapter, type Session, type SessionStore } from './session'

/** Where somebody is in a job, as it stands in the address: chapter, option, moment, camera and selection. */
export type Place = Pick<Session, 'chapter' | 'optionId' | 'day' | 'hour' | 'plan' | 'camera' | 'selection'>

const chapters: readonly Chapter[] = ['site', 'shape', 'cover', 'wire', 'match', 'store', 'offer']
/** Of a camera: eye and target, three metres each, and the plan's zoom. */
const cameraFigures = 7

export function writePlace(place: Place): string {
  const { selection, camera } = place
  const search = new URLSearchParams({
    chapter: place.chapter,
    option: place.optionId,
    at: `${dateOfDay(place.day, modelYear).slice(5)} ${clockOfHour(place.hour)}`,
    ...(place.plan ? { view: 'plan' } : {}),
    ...(camera ? { eye: camera.map((value) => Number(value.toFixed(2))).join(',') } : {}),
    ...(selection?.kind === 'object' ? { selected: selection.id } : {}),
    ...(selection?.kind === 'panel' ? { module: selection.id } : {}),
  })
  return `?${search.toString()}`
}

/**
 * What an address says; parts that are missing or make no sense are left out.
 * @param options ids of the options there are
 */
export function readPlace(search: string, options: readonly string[]): Partial<Place> {
  const given = new URLSearchParams(search)
  const chapter = chapters.find((one) => one === given.get('chapter'))
  const optionId = options.find((one) => one === given.get('option'))
  const [date = '', clock = ''] = (given.get('at') ?? '').split(' ')
  const day = dayOfDate(`${modelYear}-${date}`)
  const hour = hourOfClock(clock)
  const eye = given.get('eye')?.split(',').map(Number)
  const object = given.get('selected')
  const module = given.get('module')
  return {
    ...(chapter ? { chapter, plan: given.get('view') === 'plan' } : {}),
    ...(optionId ? { optionId } : {}),
    ...(day !== null && hour !== null ? { day, hour } : {}),
    ...(eye?.length === cameraFigures && eye.every(Number.isFinite) ? { camera: eye } : {}),
    ...(object ? { selection: { kind: 'object', id: object } as const } : {}),
    ...(module?.includes('/')
      ? { selection: { kind: 'panel', id: module, arrayId: module.slice(0, module.indexOf('/')) } as const }
      : {}),
  }
}

/**
 * By the browser's own function: the framework puts one of its own before it, which draws the whole page anew for an
 * address that only this page reads.
 */
function setAddress(how: 'pushState' | 'replaceState', search: string): void {
  const { history } = window
  const own = typeof History === 'undefined' ? history : History.prototype
  own[how].call(history, history.state, '', search)
}

/** Rest of the hand before the address is written. */
const restMs = 300

/**
 * Keeps the address and the session in step: a reload and a link come back to the same place, and the browser's Back
 * goes to the chapter or option before.
 * @returns what ends it
 */
export function followAddress(session: SessionStore, optionIds: () => readonly string[]): () => void {
  const go = () => session.setState(readPlace(window.location.search, optionIds()))
  go()
  let written = session.getState()
  let timer: ReturnType<typeof setTimeout> | undefined
  const write = (state: Session, how: 'pushState' | 'replaceState') => {
    written = state
    const search = writePlace(state)
    if (search !== window.location.search) setAddress(how, search)
  }
  const unsubscribe = session.subscribe((state, before) => {
    clearTimeout(timer)
    if (state.chapter === written.chapter && state.optionId === written.optionId) {
      timer = setTimeout(() => write(session.getState(), 'replaceState'), restMs)
      return
    }
    // Where one comes from may not have been written yet; Back is to find it.
    write(before, 'replaceState')
    write(state, 'pushState')
  })
  const back = () => {
    // What the address says already is not written again.
    written = { ...session.getState(), ...readPlace(window.location.search, optionIds()) }
    go()
  }
  window.addEventListener('popstate', back)
  return () => {
    clearTimeout(timer)
    unsubscribe()
    window.removeEventListener('popstate', back)
  }
}
