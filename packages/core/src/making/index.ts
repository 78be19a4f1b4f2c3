export { BOLT_SIZES, boltTightening } from './bolt-tightening.ts';
export { frameBending } from './frame-bending.ts';
export { gearboxMount } from './gearbox-mount.ts';
export { fitInPrinter, printFit, type PrintFit } from './print-fit.ts';
export { runOut } from './run-out.ts';
export { FITS, screwHole, THREADS, type Fit, type Thread } from './screw-hole.ts';
