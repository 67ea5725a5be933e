import { kindOf } from '@/core/kinds/index'
import { withoutObjects } from '@/core/site/site'
import { ofModules, ofObjects, ownerIds } from '../../store/selection'
import { pointsOf } from './boxing'
import { type ToolContext } from '../chart'

/** Chooses all modules of the arrays that something is chosen of, or else everything that stands and is not hidden. */
export function chooseAll(context: ToolContext): void {
  const { hidden, selection } = context.session.getState()
  const site = withoutObjects(context.site(), new Set(hidden))
  const owners = new Set(ownerIds(selection))
  const modules = site.arrays
    .filter(({ id }) => owners.has(id))
    .flatMap((array) => array.panels.map(({ id }) => ({ id, arrayId: array.id })))
  const objects = [...Object.values(context.documents.house), ...Object.values(context.option())]
  // Pictures and drawings lie under all of it.
  const standing = new Set(site.objects.filter((one) => pointsOf(one).length > 0).map(({ id }) => id))
  context.session.setState({
    selection:
      ofModules(modules) ??
      ofObjects(
        objects.flatMap((object) =>
          standing.has(object.id) && kindOf(object).standing?.move ? [object.id] : [],
        ),
      ),
  })
}
