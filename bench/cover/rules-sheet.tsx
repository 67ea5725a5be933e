'use client'

import { coverId } from '@/core/kinds/cover/cover'
import { ofKind, theOne, type Objects } from '@/core/kinds/documents'
import { type Rules } from '@/core/kinds/rules/rules'
import { newId } from '@/core/model/new-id'
import { formatLength } from '@/core/model/units'
import { edgeKinds } from '@/core/setbacks/edges'
import { obstructionKinds, type RuleSet } from '@/core/setbacks/rule-set'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { Fact } from '../card/frame'
import { useBench, useHouse, useOption, useSayer, useSession, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { Sheet } from '../sheet'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { nameAmong } from '../tools/placing'
import { OwnRules } from './own-rules'
import { useRules } from './use-rules'

const words = later.setbacks

/** What the chosen rules ask; a job's own are written here. */
export function RulesSheet() {
  const { session, documents } = useBench()
  const house = useHouse()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const cover = theOne(option, 'cover', coverId)
  const { rules, sets, choose } = useRules()
  const own = rules && 'kind' in rules ? rules : null
  /** Changes the job's own rules and which of them the option keeps to. */
  const inOneStep = (label: string, rulesId: string | null, recipe: (before: Objects) => Objects) => {
    const { fault } = documents.editAll(label, {
      [houseId]: recipe,
      [optionId]: (before) => ({ ...before, [coverId]: { ...cover, rulesId } }),
    })
    if (fault) toast(session, sayer.fault(fault))
  }
  const copy = () => {
    if (!rules) return
    // What an authority wants to see is its own to say.
    const { id: _from, asks: _asks, ...asked } = { asks: undefined, ...rules }
    const name = nameAmong({ sayer: () => sayer }, 'rules', ofKind(house, 'rules'))
    const written: Rules = { ...asked, id: newId('rules', Math.random), kind: 'rules', name }
    inOneStep(words.copied, written.id, (before) => ({ ...before, [written.id]: written }))
  }
  const remove = () => {
    if (!own) return
    inOneStep(words.remove, null, (before) =>
      Object.fromEntries(Object.entries(before).filter(([id]) => id !== own.id)),
    )
  }
  return (
    <Sheet title={words.sheet} onClose={() => session.setState({ dialog: null })}>
      <div className="max-w-[26rem]">
        <ChoiceField
          label={later.fields.cover.rulesId}
          value={cover.rulesId ?? '-'}
          choices={[
            { value: '-', label: words.none },
            ...(rules === undefined && cover.rulesId !== null
              ? [{ value: cover.rulesId, label: words.gone }]
              : []),
            ...sets.map(({ id, name, authority }) => ({
              value: id,
              label: authority === '' ? name : `${name} (${authority})`,
            })),
          ]}
          wide
          onChoose={(id) => {
            if (id !== cover.rulesId) choose(sets.find((set) => set.id === id) ?? null)
          }}
        />
      </div>
      {rules === null && <p className="mt-3">{words.noRules}</p>}
      {rules === undefined && <p className="mt-3 text-clay">{words.rulesGone}</p>}
      {rules && !own && <Asked rules={rules} />}
      {own && <OwnRules rules={own} />}
      {rules && (
        <div className="mt-4 flex gap-3">
          <button type="button" className="button" onClick={copy}>
            {words.copy}
          </button>
          {own && (
            <button type="button" className="button text-clay" onClick={remove}>
              {words.remove}
            </button>
          )}
          <p className="quiet self-center">{words.ownNote}</p>
        </div>
      )}
    </Sheet>
  )
}

/** What an authority asks, to be read. */
function Asked({ rules }: { readonly rules: RuleSet }) {
  const site = useSite()
  const sayer = useSayer()
  const metres = (value: number) => formatLength(value, site.units, site.locale)
  const { crowded, pathways } = rules
  return (
    <div className="mt-3 grid gap-x-8 gap-y-3 sm:grid-cols-2">
      <section>
        <h3 className="font-semibold">{words.from}</h3>
        {edgeKinds.map((edge) => (
          <Fact key={edge} label={sayer.words.edges[edge]} value={metres(rules.edgesM[edge])} />
        ))}
        <Fact label={words.fromFlat} value={rules.flatM === null ? words.asPitched : metres(rules.flatM)} />
      </section>
      <section>
        <h3 className="font-semibold">{words.pathways}</h3>
        {pathways ? (
          <>
            <Fact label={words.pathWidth} value={metres(pathways.widthM)} />
            <Fact label={words.planes} value={number(pathways.planes, site)} />
            <Fact label={words.beside} value={pathways.besideArrays ? words.yes : words.no} />
          </>
        ) : (
          <p className="quiet">{words.notAsked}</p>
        )}
        <h3 className="mt-3 font-semibold">{words.crowded}</h3>
        {crowded ? (
          <>
            <Fact label={words.over} value={`${number(crowded.overShare * 100, site)} %`} />
            <Fact label={words.ridge} value={metres(crowded.ridgeM)} />
          </>
        ) : (
          <p className="quiet">{words.notAsked}</p>
        )}
        <h3 className="mt-3 font-semibold">{words.clearances}</h3>
        {obstructionKinds.map((kind) => (
          <Fact key={kind} label={words.kinds[kind]} value={metres(rules.clearancesM[kind])} />
        ))}
      </section>
    </div>
  )
}
