/** Another module, and what then no longer fits. */
export const moduleChoice = {
  fewer: 'Fewer of {module} fit:',
  was: '{before} → {after}',
  sum: '{before} modules, {powerBefore} → {after} modules, {powerAfter}',
  take: 'Change all the same',
  keep: 'Keep the {module}',
} as const
