'use client'

import { theOne } from '@/core/kinds/documents'
import { type TariffForm } from '@/core/kinds/tariff/form'
import { tariffNowId, tariffThenId, type Tariff } from '@/core/kinds/tariff/tariff'
import { Fault } from '@/core/model/fault'
import { boardDays } from '@/core/tariff/board'
import { tariffsAt } from '@/services/world'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useHouse, useSayer, useSession, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { FileButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { useOfPlace } from '../use-of-place'
import { Charges } from './charges'
import { PaintList } from './paint-list'
import { PriceBoard } from './price-board'
import { readTariff } from './read-tariff'
import { takeTariff } from './take-tariff'
import { useBoard } from './use-board'

const words = later.tariff

/** A tariff with its prices painted by the hour, and every other charge. */
export function TariffSheet() {
  const { session } = useBench()
  const then = useSession((s) => s.dialog === 'tariff-then')
  const tariff = theOne(useHouse(), 'tariff', then ? tariffThenId : tariffNowId)
  return (
    <Sheet title={then ? words.then : words.now} onClose={() => session.setState({ dialog: null })}>
      <Source tariff={tariff} />
      <Prices key={`${tariff.id} ${tariff.name} ${tariff.utility}`} tariff={tariff} />
      <div className="mt-4 border-t border-line pt-3">
        <Charges tariff={tariff} />
      </div>
    </Sheet>
  )
}

/** Its name, and where another one comes from. */
function Source({ tariff }: { readonly tariff: Tariff }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const here = useOfPlace(tariffsAt)
  const fields = later.fields.tariff
  const take = (form: TariffForm) => takeTariff({ documents, session }, sayer, tariff.id, form)
  const open = ([file]: readonly File[]) => {
    if (!file) return
    readTariff(file).then(take, (error: unknown) => {
      if (!(error instanceof Fault)) throw error
      toast(session, sayer.say(words.fileBad, { file: file.name, why: sayer.fault(error) }))
    })
  }
  const save = () => {
    const { id: _id, kind: _kind, ...form } = tariff
    saveFile(`${JSON.stringify(form, null, 2)}\n`, `${tariff.name}.tariff.json`, 'application/json')
  }
  return (
    <div className="mb-4 grid items-end gap-x-8 gap-y-1 md:grid-cols-2">
      <div>
        <TextField
          label={fields.name}
          width="name"
          shown={tariff.name}
          onType={(name) => documents.set('Tariff name', houseId, tariff.id, { name })}
        />
        <TextField
          label={fields.utility}
          width="name"
          shown={tariff.utility}
          onType={(utility) => documents.set('Tariff name', houseId, tariff.id, { utility })}
        />
      </div>
      <div>
        {here?.length === 0 ? (
          <p className="quiet">{words.none}</p>
        ) : (
          <ChoiceField
            label={words.here}
            value=""
            wide
            choices={[
              { value: '', label: words.choose },
              ...(here ?? []).map(({ name, utility }, k) => ({
                value: String(k),
                label: `${utility}: ${name}`,
              })),
            ]}
            onChoose={(value) => {
              const form = value === '' ? undefined : here?.[Number(value)]
              if (form) take(form)
            }}
          />
        )}
        <div className="mt-2 flex gap-2">
          <FileButton
            label={words.takeFile}
            accept=".json,application/json"
            className="button"
            onTake={open}
          />
          <button type="button" className="button" onClick={save}>
            {words.saveFile}
          </button>
        </div>
      </div>
    </div>
  )
}

function Prices({ tariff }: { readonly tariff: Tariff }) {
  const site = useSite()
  const painting = useBoard(tariff)
  const { board, stroke } = painting
  const nameOf = (paint: number): string => {
    const { name, pricePerKwh } = board.paints[paint] ?? { name: words.rest, pricePerKwh: tariff.pricePerKwh }
    return `${name}, ${moneySign(site)} ${entered(pricePerKwh, site, 3)}`
  }
  return (
    <>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        {boardDays.map((days) => (
          <PriceBoard key={days} days={days} rows={board[days]} nameOf={nameOf} onStroke={stroke} />
        ))}
      </div>
      <p className="quiet my-2">{board.dated ? words.dated : words.boardHint}</p>
      <div className="max-w-[34rem]">
        <PaintList tariff={tariff} board={painting} />
      </div>
    </>
  )
}
