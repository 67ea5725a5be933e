/** The data sheet of a made-up module of 420 W, for tests. */
export const exampleSheet = {
  vocV: 38.3,
  vmpV: 32.2,
  iscA: 13.85,
  impA: 13.05,
  vocPerK: -0.0026,
  iscPerK: 0.00045,
  powerPerK: -0.0034,
}
