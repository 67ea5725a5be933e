import { letterheadMost, type LetterheadShown } from '@/core/papers/letterhead'
import { AccountForm, type FormField } from './account-form'

type Text = keyof typeof letterheadMost

const fields: readonly (Pick<FormField, 'label' | 'autoComplete'> & { readonly name: Text })[] = [
  { name: 'name', label: 'Name', autoComplete: 'organization' },
  { name: 'licence', label: 'Licence number', autoComplete: 'off' },
  { name: 'postal', label: 'Address', autoComplete: 'street-address' },
  { name: 'phone', label: 'Telephone', autoComplete: 'tel' },
  { name: 'mail', label: 'Mail address', autoComplete: 'email' },
  { name: 'web', label: 'Website', autoComplete: 'url' },
]

/** Texts and colour of the team's letterhead. */
export function LetterheadForm({ kept }: { readonly kept: LetterheadShown }) {
  return (
    <AccountForm
      url="/api/letterhead"
      method="PUT"
      fields={[
        ...fields.map((field) => ({
          ...field,
          type: field.name === 'mail' ? ('email' as const) : ('text' as const),
          most: letterheadMost[field.name],
          value: kept[field.name],
          isOptional: field.name !== 'name',
        })),
        {
          name: 'colour',
          label: 'Colour',
          type: 'color',
          autoComplete: 'off',
          most: 7,
          value: kept.colour,
          hint: 'Of headings and rules on the customer’s page and its PDF. It must be dark enough to be read on paper.',
        },
      ]}
      submit="Save letterhead"
      said="The letterhead is kept."
    />
  )
}
