import { versionOf } from '@/core/graph/version'
import { financeStage } from '@/core/stages/finance'
import { powerStage } from '@/core/stages/power'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'

/** Which stages compute what is kept of a job. */
export const summaryVersion = versionOf<World>([financeStage, powerStage, siteStage])
