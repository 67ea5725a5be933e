import { type Locator, type Page } from '@playwright/test'

export const dialog = (page: Page, name: string): Locator => page.getByRole('dialog', { name })

export const closeDialog = (page: Page, name: string): Promise<void> =>
  dialog(page, name).getByRole('button', { name: 'Close' }).click()
