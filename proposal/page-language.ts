import { languageOf } from '@/words/language'
import { type ProposalData } from './shape'

/** What an offer's page is read in; offers that older builds have sent say nothing of it. */
export const pageLanguageOf = ({ page, site }: Pick<ProposalData, 'page' | 'site'>) =>
  page.language ?? languageOf(site.locale)
