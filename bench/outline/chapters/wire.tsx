'use client'

import { theOne } from '@/core/kinds/documents'
import { coverId } from '@/core/kinds/cover/cover'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { settledLosses } from '@/core/kinds/losses/first-year'
import { lossesId, mostOtherLosses, type Losses } from '@/core/kinds/losses/losses'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { useBench, useCatalogue, useNumbers, useOption, useSayer, useSession, useSite } from '../../context'
import { ChoiceField, OptionalPercentField, PercentField } from '../../fields/fields'
import { MonthsField } from '../../fields/months-field'
import { TextField } from '../../fields/text-field'
import { InverterFacts } from '../../wire/inverter-facts'
import { OptimizerPlaces } from '../../wire/optimizer-places'
import { CablesFacts } from '../../wire/cables-facts'
import { StringsList } from '../../wire/strings-list'
import { ToolButtons } from '../tool-button'
import { later } from '@/words/en/later'
import { number } from '@/words/format'

const byModule = ['lightInduced', 'nameplate'] as const
const losses = ['wiring', 'connections', 'availability'] as const

const isMicro = ({ micro }: { readonly micro?: object }): boolean => micro !== undefined

/** The inverter, the strings with their volts, and the entered losses. */
export function WireChapter() {
  const { documents, session } = useBench()
  const catalogue = useCatalogue()
  const option = useOption()
  const site = useSite()
  const optionId = useSession((s) => s.optionId)
  const { numbers } = useNumbers()
  const sayer = useSayer()
  const electrical = theOne(option, 'electrical', electricalId)
  const entered = theOne(option, 'losses', lossesId)
  const inverter = catalogue.inverters.find((i) => i.id === electrical.inverterId)
  const module = catalogue.modules.find((m) => m.id === theOne(option, 'cover', coverId).moduleId)
  const chosen =
    (inverter && !inverter.micro && catalogue.optimizers.find(({ id }) => id === electrical.optimizerId)) ||
    null
  // One that only lowers volts stands in strings as they are without it.
  const optimizer = chosen?.stepDown ? null : chosen
  /** Each module works by itself: how they are strung changes nothing of it. */
  const eachAlone = optimizer !== null || inverter?.micro !== undefined
  const dialogs = [
    ...(eachAlone ? [] : (['strings', 'curves'] as const)),
    ...(inverter?.micro ? [] : (['optimizers'] as const)),
    ...(['parts', 'diagram'] as const),
  ]
  return (
    <>
      <ChoiceField
        label={later.fields.electrical.inverterId}
        value={electrical.inverterId}
        choices={catalogue.inverters
          .toSorted((a, b) => Number(isMicro(a)) - Number(isMicro(b)) || a.acPowerW - b.acPowerW)
          .map(({ id, name, micro, mppInputs }) => ({
            value: id,
            label: micro ? sayer.say(later.wiring.micro, { name, inputs: mppInputs }) : name,
          }))}
        onChoose={(inverterId) => documents.set('Inverter', optionId, electricalId, { inverterId })}
      />
      {inverter && !inverter.micro && (
        <TextField
          label={later.fields.electrical.inverterCount}
          shown={String(electrical.inverterCount)}
          width="short"
          onType={(text) =>
            documents.set(later.fields.electrical.inverterCount, optionId, electricalId, {
              inverterCount: parseNumber(text, site.locale),
            })
          }
        />
      )}
      <div className="mb-1 flex gap-3">
        {(['inverters', 'devices'] as const).map((dialog) => (
          <button
            key={dialog}
            type="button"
            className="cursor-pointer text-[12px] whitespace-nowrap text-verdigris hover:underline"
            onClick={() => session.setState({ dialog })}
          >
            {later[dialog].open}
          </button>
        ))}
      </div>
      {inverter && !inverter.micro && (
        <ChoiceField
          label={later.fields.electrical.optimizerId}
          value={electrical.optimizerId ?? ''}
          choices={[
            { value: '', label: later.wiring.optimizerNone },
            ...catalogue.optimizers.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChoose={(id) =>
            documents.set(later.fields.electrical.optimizerId, optionId, electricalId, {
              optimizerId: id === '' ? null : id,
            })
          }
        />
      )}
      {chosen?.stepDown && <OptimizerPlaces />}
      {inverter && module && (
        <InverterFacts
          inverter={inverter}
          optimizer={optimizer}
          stepDown={chosen?.stepDown ? chosen : null}
          module={module}
        />
      )}
      <TextField
        label={inverter?.micro ? later.wiring.devicesPerBranch : later.fields.electrical.modulesPerString}
        shown={electrical.modulesPerString === null ? 'automatic' : String(electrical.modulesPerString)}
        width="length"
        hint="automatic, or a number"
        onType={(text) =>
          documents.set('Modules per string', optionId, electricalId, {
            modulesPerString: /^\s*(auto.*|)\s*$/i.test(text) ? null : parseNumber(text, site.locale),
          })
        }
      />
      <div className="my-1 grid">
        <ToolButtons chapter="wire" />
      </div>
      {inverter && module && <StringsList inverter={inverter} optimizer={optimizer} module={module} />}
      {dialogs.map((dialog) => (
        <button
          key={dialog}
          type="button"
          className="mt-0.5 block cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ dialog })}
        >
          {later[dialog].open}
        </button>
      ))}
      <CablesFacts isMicro={inverter?.micro !== undefined} />
      <h3 className="quiet mt-2">Entered losses</h3>
      <MonthsField
        label={later.fields.losses.soiling}
        name={later.fields.losses.soiling}
        values={entered.soiling}
        unit="%"
        times={100}
        digits={1}
        onSet={(soiling) => documents.set('Soiling', optionId, lossesId, { soiling })}
      />
      {numbers?.summary.snowComputed ? (
        <p className="quiet mb-1">Snow is computed from the station’s snow depth.</p>
      ) : (
        <MonthsField
          label={later.fields.losses.snow}
          name={later.fields.losses.snow}
          values={entered.snow}
          unit="%"
          times={100}
          digits={1}
          onSet={(snow) => documents.set('Snow', optionId, lossesId, { snow })}
        />
      )}
      {module &&
        byModule.map((key) => (
          <OptionalPercentField
            key={key}
            label={later.fields.losses[key]}
            name={later.fields.losses[key]}
            documentId={optionId}
            objectId={lossesId}
            value={entered[key]}
            usual={settledLosses({ ...entered, [key]: null }, module)[key]}
            hint="Empty: by the module’s cells and tolerance"
            fields={(share) => ({ [key]: share })}
          />
        ))}
      {losses
        .filter((key) => key !== 'wiring' || !numbers?.summary.wired)
        .map((key) => (
          <PercentField
            key={key}
            label={later.fields.losses[key]}
            name={later.fields.losses[key]}
            documentId={optionId}
            objectId={lossesId}
            value={entered[key]}
            fields={(share) => ({ [key]: share })}
          />
        ))}
      <OtherLosses entered={entered} />
      <p className="quiet mt-1">
        Defaults: Dobos 2014 (NREL/TP-6A20-62641), table 5; light-induced and nameplate losses follow the
        module until you type them. Shade, mismatch, reflection, low light, heat and clipping are computed,
        not entered.
      </p>
    </>
  )
}

/** Losses of the designer's own, each with its name. */
function OtherLosses({ entered }: { readonly entered: Losses }) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const site = useSite()
  const set = (label: string, other: Losses['other']) => documents.set(label, optionId, lossesId, { other })
  const changed = (k: number, fields: Partial<Losses['other'][number]>) =>
    entered.other.map((loss, i) => (i === k ? { ...loss, ...fields } : loss))
  return (
    <>
      {entered.other.map((loss, k) => (
        <div key={k} className="flex items-center gap-1">
          <input
            aria-label={`Name of loss ${k + 1}`}
            className="field flex-1"
            defaultValue={loss.name}
            onKeyDown={(event) => event.stopPropagation()}
            onBlur={(event) => {
              const name = event.target.value.trim()
              if (name !== '' && name !== loss.name) set('Name of a loss', changed(k, { name }))
              else event.target.value = loss.name
            }}
          />
          <TextField
            label={<span className="sr-only">{loss.name}</span>}
            shown={number(loss.share * 100, site, 1).replace('−', '-')}
            unit="%"
            width="short"
            onType={(text) => set(loss.name, changed(k, { share: parsePercent(text, site.locale) }))}
          />
          <button
            type="button"
            aria-label={`Remove ${loss.name}`}
            className="cursor-pointer px-1 text-pencil hover:text-ink"
            onClick={() =>
              set(
                'Remove a loss',
                entered.other.filter((_, i) => i !== k),
              )
            }
          >
            ×
          </button>
        </div>
      ))}
      {entered.other.length < mostOtherLosses && (
        <button
          type="button"
          className="mt-0.5 cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => set('Add a loss', [...entered.other, { name: 'Other loss', share: 0.01 }])}
        >
          Add another loss
        </button>
      )}
    </>
  )
}
