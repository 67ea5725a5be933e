import { catalogueFor } from '@/core/stages/world'
import { placeNames, type PlaceName } from '@/core/cables/cable-plan'
import { ofKind, theOne, withFields } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { type WallPlace } from '@/core/model/wall-place'
import { later } from '@/words/en/later'
import { type KeyInput, type PointerInput, type ToolContext, ToolState } from '../tools/chart'
import { showSketch } from '../tools/sketch'
import { placeMoved, placesOf, placeUnder, targetOf, usualPlace, wantedPlaces } from './places'

const words = later.wiring

/** Pixels within which a device is meant. */
const nearPx = 16
/** Steps of the arrow keys, m. */
const stepM = 0.1
const largeStepM = 1

const here = (context: ToolContext) => placesOf(context.documents.house, context.option())

/** What is to be placed next: what was asked for, else what is missing; null when all is placed. */
function nextOf(context: ToolContext): PlaceName | null {
  const { placing } = context.session.getState()
  if (placing) return placing
  const option = context.option()
  const places = here(context)
  const { inverterId } = theOne(option, 'electrical', electricalId)
  const isMicro = catalogueFor({
    house: context.documents.house,
    catalogue: context.catalogue,
  }).inverters.some(({ id, micro }) => id === inverterId && micro)
  const hasBattery = ofKind(option, 'storage').some(({ batteryId }) => batteryId !== null)
  return wantedPlaces(isMicro, hasBattery).find((name) => places[name] === null) ?? null
}

/** What hangs under the hand; null where nothing does. */
function deviceNear(context: ToolContext, { screen, project }: PointerInput): PlaceName | null {
  const places = here(context)
  const found = placeNames.flatMap((name) => {
    const place = places[name]
    const seen = place && project([...place.at, place.heightM])
    return seen ? [{ name, px: Math.hypot(seen[0] - screen[0], seen[1] - screen[1]) }] : []
  })
  const [nearest] = found.toSorted((a, b) => a.px - b.px)
  return nearest && nearest.px < nearPx ? nearest.name : null
}

function put(context: ToolContext, name: PlaceName, place: WallPlace | null): void {
  const { documents, session } = context
  const { documentId, objectId, field } = targetOf(name, session.getState().optionId)
  const step = context.sayer().say(place ? words.placeStep : words.placeAway, { device: words.places[name] })
  documents.set(step, documentId, objectId, { [field]: place })
}

/** Waits for a wall, or for a device to be taken hold of. */
export class PlaceIdle extends ToolState {
  /** What the arrow keys move. */
  readonly #last: PlaceName | null

  constructor(context: ToolContext, last: PlaceName | null = null) {
    super(context)
    this.#last = last
  }

  override enter(): void {
    this.#show()
  }

  override press(input: PointerInput): void {
    const { context } = this
    const near = deviceNear(context, input)
    const { placing } = context.session.getState()
    if (near && (placing === null || placing === near)) {
      this.go(new PlaceDragging(context, near))
      return
    }
    const name = nextOf(context)
    if (name === null) {
      this.#show()
      return
    }
    const place = placeUnder(context.site(), input)
    if (place) this.#put(name, place)
    else showSketch(context, { message: words.placeWrong })
  }

  override key({ key, shift }: KeyInput): boolean {
    const { context } = this
    const last = this.#last
    const places = here(context)
    const place = last && places[last]
    if (key === 'Enter') {
      const name = nextOf(context)
      const taken = placeNames.flatMap((one) => (one === 'cablesDown' ? [] : (places[one] ?? [])))
      const usual = name && usualPlace(context.site(), taken)
      if (usual) this.#put(name, usual)
      return true
    }
    if (!last || !place) return false
    if (key === 'Delete' || key === 'Backspace') {
      put(context, last, null)
      this.go(new PlaceIdle(context))
      return true
    }
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[key]
    if (!way) return false
    const metres = shift ? largeStepM : stepM
    const moved = placeMoved(context.site(), place, (way[0] ?? 0) * metres, (way[1] ?? 0) * metres)
    if (moved) this.#put(last, moved)
    return true
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null, placing: null })
    this.leave()
  }

  #put(name: PlaceName, place: WallPlace): void {
    const { context } = this
    put(context, name, place)
    context.session.setState({ placing: null })
    this.go(new PlaceIdle(context, name))
  }

  #show(): void {
    const { context } = this
    const next = nextOf(context)
    const last = this.#last
    const place = last && here(context)[last]
    const sayer = context.sayer()
    const moved =
      place &&
      sayer.say(words.placeMoved, {
        device: words.places[last],
        height: { value: place.heightM, unit: 'm' },
      })
    const hint = next ? words.placeHint[next] : moved ? '' : words.placeMove
    showSketch(context, { message: [moved, hint].filter(Boolean).join(' ') })
  }
}

/** Takes a device along the walls. */
class PlaceDragging extends ToolState {
  readonly #name: PlaceName

  constructor(context: ToolContext, name: PlaceName) {
    super(context)
    this.#name = name
  }

  override enter(): void {
    this.context.documents.begin()
  }

  override move(input: PointerInput): void {
    const { context } = this
    const heightM = here(context)[this.#name]?.heightM
    const place = placeUnder(context.site(), input, heightM)
    if (!place) return
    const { documentId, objectId, field } = targetOf(this.#name, context.session.getState().optionId)
    context.documents.preview(documentId, (before) => {
      const object = before[objectId]
      return object ? { ...before, [objectId]: withFields(object, { [field]: place }) } : before
    })
  }

  override release(): void {
    const { context } = this
    const step = context.sayer().say(words.placeStep, { device: words.places[this.#name] })
    context.documents.commit(step)
    context.session.setState({ placing: null })
    this.go(new PlaceIdle(context, this.#name))
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(new PlaceIdle(this.context))
  }
}
