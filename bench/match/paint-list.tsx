'use client'

import { type Tariff } from '@/core/kinds/tariff/tariff'
import { tariffThenId } from '@/core/kinds/tariff/tariff'
import { parseNumber } from '@/core/model/numbers'
import { bare, type Paint } from '@/core/tariff/board'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { lineButton } from '../fields/file-button'
import { houseId } from '../store/documents'
import { paintStyle } from './price-board'
import { type useBoard } from './use-board'
import { RemoveButton } from '../fields/remove-button'

const words = later.tariff

/** The prices that hours are painted with; the chosen one is painted next. */
export function PaintList({
  tariff,
  board: { board, paint, choose, add, change, remove },
}: {
  readonly tariff: Tariff
  readonly board: ReturnType<typeof useBoard>
}) {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const sign = moneySign(site)
  const number = (text: string) => parseNumber(text, site.locale)
  const shown = (price: number) => entered(price, site, 3)
  const sells = tariff.id === tariffThenId && tariff.exports.kind === 'net-billing'
  return (
    <div className="min-w-0">
      <table className="w-full" role="radiogroup" aria-label={words.paint}>
        <thead>
          <tr className="text-[12px] text-pencil">
            <td className="w-7" />
            <th className="py-0.5 text-left font-normal">{words.paint}</th>
            <th className="py-0.5 text-right font-normal">{sayer.say(words.buy, { sign })}</th>
            {sells && <th className="py-0.5 text-right font-normal">{sayer.say(words.sell, { sign })}</th>}
            <td className="w-6" />
          </tr>
        </thead>
        <tbody>
          {board.paints.map((one, place) => (
            <tr key={place}>
              <td>
                <Swatch place={place} name={one.name} chosen={paint === place} onChoose={choose} />
              </td>
              <td className="py-0.5 pr-2">
                <CellField
                  label={sayer.say(words.paintName, { place: place + 1 })}
                  shown={one.name}
                  left
                  onType={(name) => change(place, { ...one, name })}
                />
              </td>
              <td className="w-24 py-0.5">
                <CellField
                  label={sayer.say(words.paintBuy, { name: one.name })}
                  shown={shown(one.pricePerKwh)}
                  onType={(text) => change(place, { ...one, pricePerKwh: number(text) })}
                />
              </td>
              {sells && (
                <td className="w-24 py-0.5 pl-2">
                  <CellField
                    label={sayer.say(words.paintSell, { name: one.name })}
                    shown={one.exportPerKwh === undefined ? '' : shown(one.exportPerKwh)}
                    placeholder={shown(tariff.exportPerKwh)}
                    onType={(text) => change(place, selling(one, text.trim() === '' ? null : number(text)))}
                  />
                </td>
              )}
              <td className="text-right">
                <RemoveButton name={one.name} onRemove={() => remove(place)} />
              </td>
            </tr>
          ))}
          <tr>
            <td>
              <Swatch place={bare} name={words.rest} chosen={paint === bare} onChoose={choose} />
            </td>
            <td className="py-0.5 pr-2">{words.rest}</td>
            <td className="py-0.5">
              <CellField
                label={sayer.say(words.paintBuy, { name: words.rest })}
                shown={shown(tariff.pricePerKwh)}
                onType={(text) => documents.set('Price', houseId, tariff.id, { pricePerKwh: number(text) })}
              />
            </td>
            {sells && (
              <td className="py-0.5 pl-2">
                <CellField
                  label={sayer.say(words.paintSell, { name: words.rest })}
                  shown={shown(tariff.exportPerKwh)}
                  onType={(text) =>
                    documents.set('Export price', houseId, tariff.id, { exportPerKwh: number(text) })
                  }
                />
              </td>
            )}
            <td />
          </tr>
        </tbody>
      </table>
      <button type="button" className={`mt-1 ${lineButton}`} onClick={add}>
        {words.add}
      </button>
    </div>
  )
}

function selling({ exportPerKwh: _before, ...paint }: Paint, price: number | null): Paint {
  return price === null ? paint : { ...paint, exportPerKwh: price }
}

function Swatch({
  place,
  name,
  chosen,
  onChoose,
}: {
  readonly place: number
  readonly name: string
  readonly chosen: boolean
  readonly onChoose: (place: number) => void
}) {
  return (
    <button
      type="button"
      role="radio"
      aria-checked={chosen}
      aria-label={name}
      className={`h-5 w-5 cursor-pointer rounded border text-[12px] leading-4 ${
        chosen ? 'border-ink outline-2 outline-ink' : 'border-line'
      }`}
      style={paintStyle(place)}
      onClick={() => onChoose(place)}
    >
      {place === bare ? '' : place + 1}
    </button>
  )
}
