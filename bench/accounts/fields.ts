import { type FormField } from './account-form'

export const newPasswordField = (name: string): FormField => ({
  name,
  label: 'New password',
  type: 'password',
  autoComplete: 'new-password',
  most: 200,
  hint: 'At least 12 characters; a few words that do not belong together are good.',
})

export const passwordField: FormField = {
  name: 'password',
  label: 'Your password',
  type: 'password',
  autoComplete: 'current-password',
  most: 200,
}
