'use client'

import { isRoofed, type Site as Standing } from '@/core/site/site'
import { rightAtM, shiftFor } from '@/core/kinds/site/sheet-shift'
import { toDegrees } from '@/core/model/units'
import { type AerialPicture } from '@/services/world'
import { sideOf } from '@/words/direction'
import { number } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useHouse, useSayer, useSession, useSite, useWords } from '../../context'
import { ChoiceField, LengthField } from '../../fields/fields'
import { Pills } from '../../fields/pills'
import { momentOf, pictureShown, usePictures } from '../../stage/use-pictures'
import { houseId } from '../../store/documents'

const words = later.aerial

/** Which aerial picture lies under the model, how strong it is, and how it is brought to lie where the house is. */
export function Aerial() {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const pictures = usePictures()
  const shown = pictureShown(pictures, site.sheetPicture)
  const missing = pictures.length > 0 && !shown
  const said = (picture: AerialPicture) =>
    sayer.say(words.choice, {
      when: momentOf(picture, site.locale),
      bare: String(picture.bareTrees),
      slant: String(isSlanted(picture)),
    })
  // Each picture has a shift of its own: the one before's means nothing for the next.
  const choose = (id: string) =>
    documents.set(words.label, houseId, site.id, {
      sheetPicture: id === pictures[0]?.id ? null : id,
      sheetShiftM: [0, 0],
    })
  return (
    <>
      <h3 className="quiet mt-2">{words.title}</h3>
      {pictures.length > 0 && (
        <ChoiceField
          wide
          label={words.picture}
          value={shown?.id ?? site.sheetPicture ?? ''}
          choices={[
            ...pictures.map((picture) => ({ value: picture.id, label: said(picture) })),
            ...(missing && site.sheetPicture !== null
              ? [{ value: site.sheetPicture, label: words.away }]
              : []),
          ]}
          onChoose={choose}
        />
      )}
      {missing && (
        <p role="alert" className="text-[12px] text-clay">
          {words.missing}
        </p>
      )}
      <label className="flex items-center gap-2 py-0.5">
        <span className="flex-1 text-pencil">{words.strength}</span>
        <input
          type="range"
          min={0}
          max={100}
          step={5}
          className="w-28 accent-verdigris"
          value={Math.round(site.sheetStrength * 100)}
          onChange={(event) =>
            documents.set('Sheet strength', houseId, site.id, {
              sheetStrength: Number(event.target.value) / 100,
            })
          }
        />
      </label>
      {shown && isSlanted(shown) && <Slant picture={shown} />}
      <Shift />
    </>
  )
}

const isSlanted = ({ leanM }: AerialPicture): boolean => leanM[0] !== 0 || leanM[1] !== 0

/** Lowest and highest heights of the customer's roofs, m; null where no roof stands yet. */
function roofHeights(standing: Standing): { readonly eaves: number; readonly ridge: number } | null {
  const tops = standing.objects
    .filter(isRoofed)
    .flatMap(({ geometry }) => geometry.faces.flatMap(({ corners }) => corners.map((corner) => corner[2])))
  return tops.length === 0 ? null : { eaves: Math.min(...tops), ridge: Math.max(...tops) }
}

/** How a slanted picture was taken, and the height at which it sits right. */
function Slant({ picture: { leanM } }: { readonly picture: AerialPicture }) {
  const { documents, site: standing } = useBench()
  const site = useSite()
  // Its roofs are asked for again when the house has changed.
  useHouse()
  const sayer = useSayer()
  const { compassPlaces } = useWords()
  const heights = roofHeights(standing())
  const atM = rightAtM(leanM, site.sheetShiftM)
  const known = [['ground', 0], ...(heights ? Object.entries(heights) : [])] as const
  const names = { ground: words.ground, eaves: words.eaves, ridge: words.ridge } as const
  const isKnown = (name: string): name is keyof typeof names => name in names
  const offM = Math.hypot(leanM[0], leanM[1])
  const set = (heightM: number) =>
    documents.set(words.shifted, houseId, site.id, {
      sheetShiftM: shiftFor(leanM, site.sheetShiftM, heightM),
    })
  // Things lean away from whoever looks.
  const fromDeg = (toDegrees(Math.atan2(-leanM[0], -leanM[1])) + 360) % 360
  return (
    <>
      <p className="mt-0.5 mb-1 text-[12px] text-pencil">
        {sayer.say(words.slanted, {
          from: compassPlaces[sideOf(fromDeg)],
          degrees: `${number(toDegrees(Math.atan(offM)), site, 0)}°`,
          share: `${number(offM * 100, site, 0)} %`,
        })}
      </p>
      <Pills
        label={words.rightAt}
        value={known.find(([, heightM]) => Math.abs(heightM - atM) < 0.005)?.[0] ?? ''}
        choices={known.flatMap(([name]) => (isKnown(name) ? [[name as string, names[name]] as const] : []))}
        onChoose={(name) => set(known.find(([one]) => one === name)?.[1] ?? 0)}
      />
      <LengthField
        documentId={houseId}
        objectId={site.id}
        label={words.height}
        name={words.shifted}
        value={atM}
        fields={(heightM) => ({ sheetShiftM: shiftFor(leanM, site.sheetShiftM, heightM) })}
      />
    </>
  )
}

/** By how much the picture is shifted: typed, or by a point of it and where that belongs. */
function Shift() {
  const { documents, tools } = useBench()
  const site = useSite()
  const inHand = useSession((s) => s.tool === 'move-picture')
  const [east, north] = site.sheetShiftM
  const of = { documentId: houseId, objectId: site.id, name: words.shifted }
  return (
    <>
      <LengthField {...of} label={words.east} value={east} fields={(to) => ({ sheetShiftM: [to, north] })} />
      <LengthField {...of} label={words.north} value={north} fields={(to) => ({ sheetShiftM: [east, to] })} />
      <div className="my-1 grid grid-cols-2 gap-1.5">
        <button
          type="button"
          aria-pressed={inHand}
          title={words.moveHint}
          className={`button ${inHand ? 'border-verdigris' : ''}`}
          onClick={() => tools.take(inHand ? 'select' : 'move-picture')}
        >
          {words.move}
        </button>
        <button
          type="button"
          className="button"
          disabled={east === 0 && north === 0}
          onClick={() => documents.set(words.shifted, houseId, site.id, { sheetShiftM: [0, 0] })}
        >
          {words.reset}
        </button>
      </div>
    </>
  )
}
