import { type RuleSet } from '@/core/setbacks/rule-set'

/** What the made-up towns' authorities ask of modules on a roof. */
export const ruleSets: readonly RuleSet[] = [
  {
    id: 'pellworth-fire',
    name: 'Pellworth roof access',
    authority: 'Pellworth Fire Marshal',
    edgesM: { eave: 0.3, ridge: 0.45, hip: 0.45, valley: 0.45, rake: 0.3, wall: 0.3 },
    flatM: null,
    crowded: { overShare: 0.33, ridgeM: 0.9 },
    pathways: { widthM: 0.9, planes: 2, besideArrays: false },
    clearancesM: { chimney: 0.15, skylight: 0.15, fixture: 0.1, dormer: 0.15 },
  },
  {
    id: 'pellworth-historic',
    name: 'Pellworth old harbour',
    authority: 'Pellworth Harbour District',
    edgesM: { eave: 0.6, ridge: 0.6, hip: 0.6, valley: 0.6, rake: 0.6, wall: 0.6 },
    flatM: 1.5,
    crowded: null,
    pathways: { widthM: 0.9, planes: 2, besideArrays: true },
    clearancesM: { chimney: 0.6, skylight: 0.3, fixture: 0.3, dormer: 0.6 },
  },
  {
    id: 'tarrowee-roofs',
    name: 'Tarrowee roof edges',
    authority: 'Tarrowee Council',
    edgesM: { eave: 0.3, ridge: 0.3, hip: 0.3, valley: 0.3, rake: 0.3, wall: 0.3 },
    flatM: 0.6,
    crowded: null,
    pathways: null,
    clearancesM: { chimney: 0.15, skylight: 0.15, fixture: 0.1, dormer: 0.15 },
  },
  {
    id: 'valdecorva-azoteas',
    name: 'Valdecorva roof terraces',
    authority: 'Valdecorva Town Hall',
    edgesM: { eave: 0.3, ridge: 0.3, hip: 0.3, valley: 0.3, rake: 0.3, wall: 0.3 },
    flatM: 0.3,
    crowded: { overShare: 0.6, ridgeM: 0.6 },
    pathways: { widthM: 0.6, planes: 1, besideArrays: false },
    clearancesM: { chimney: 0.15, skylight: 0.15, fixture: 0.1, dormer: 0.15 },
  },
]
