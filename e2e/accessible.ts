import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/**
 * Fails where a rule of accessibility is broken seriously, saying which and by what.
 * @param part CSS selector of what is looked at; the whole page when not given
 */
export async function expectAccessible(page: Page, part?: string): Promise<void> {
  const axe = new AxeBuilder({ page })
  const { violations } = await (part === undefined ? axe : axe.include(part)).analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ''}`)).toEqual([])
}

/** What a dialog is found by. */
export const dialogPart = '[role="dialog"]'
