import { inviteFirstOwner } from '@/server/accounts/links'
import { closeDatabase } from '@/server/database'
import { isAnybodyIn } from '@/server/sql/accounts'
import { maybeOneFirstDesigner } from '@/server/sql/people'

/** Says how the first owner gets in, where people sign in and nobody has an account yet. */
const first = await maybeOneFirstDesigner()
if (first && !(await isAnybodyIn()))
  console.log(
    `  Nobody has an account yet. Whoever opens this link becomes the owner; it holds for seven days:\n\n  ${await inviteFirstOwner(first)}\n`,
  )
await closeDatabase()
