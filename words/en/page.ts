import { type PageSection } from '@/core/kinds/offer/page'

/** The sheet of the customer's page. */
export const page = {
  open: 'Customer’s page',
  title: 'Customer’s page',
  note: 'What is ticked is shown, from top to bottom. A text that is left empty is not shown. Offers that were sent stay as they are.',
  up: 'Move {name} up',
  down: 'Move {name} down',
  text: '{name}: text, an empty line begins a paragraph',
  sections: {
    letter: 'Cover letter',
    roof: 'Picture of the roof',
    figures: 'Saving, payback, own share',
    bill: 'Bill by month',
    energy: 'Yield and consumption by month',
    ways: 'Ways to pay',
    cash: 'Cumulative cash flow',
    equipment: 'Equipment',
    price: 'Price',
    warranty: 'Warranty',
    terms: 'Terms',
    next: 'Next steps',
  } satisfies Record<PageSection, string>,
} as const
