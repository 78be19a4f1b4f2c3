import { STANDARD_GRAVITY } from './constants.ts';
import { FOOT, INCH, OUNCE_FORCE, POUND_FORCE, only, unit } from './customary.ts';
import type { DimensionDefinition } from './unit.ts';

/** Newtons, pounds-force and their kin. */
export const force: DimensionDefinition = {
  title: 'force',
  siSymbol: 'N',
  units: [
    unit('N', 1, 'newton', 'newtons'),
    unit('kN', 1000, 'kilonewton', 'kilonewtons'),
    unit('kgf', STANDARD_GRAVITY, 'kp', 'kilogramforce'),
    unit('gf', STANDARD_GRAVITY / 1000),
    unit('lbf', POUND_FORCE, 'lb', 'lbs', 'poundforce'),
    unit('ozf', OUNCE_FORCE, 'oz'),
  ],
  metric: only('N'),
  imperial: only('lbf'),
};

/** Pull for each length of width, of belts. */
export const linePull: DimensionDefinition = {
  title: 'pull for its width',
  siSymbol: 'N/m',
  units: [
    unit('N/mm', 1000, 'newton/mm'),
    unit('N/cm', 100),
    unit('N/m', 1),
    unit('lbf/in', POUND_FORCE / INCH, 'lb/in', 'lbs/in'),
  ],
  metric: only('N/mm'),
  imperial: only('lbf/in'),
};

/** Newton metres, inch-pounds and their kin. */
export const torque: DimensionDefinition = {
  title: 'torque',
  siSymbol: 'N·m',
  units: [
    unit('N·m', 1, 'nm', 'newtonmetre', 'newtonmetres', 'newtonmeter'),
    unit('N·cm', 1e-2, 'ncm'),
    unit('mN·m', 1e-3, 'mnm', 'n·mm', 'nmm'),
    unit('kg·cm', STANDARD_GRAVITY / 100, 'kgcm', 'kgf·cm', 'kgfcm', 'cm·kg'),
    unit('kg·m', STANDARD_GRAVITY, 'kgm', 'kgf·m', 'kgfm'),
    unit('g·cm', STANDARD_GRAVITY / 1e5, 'gcm', 'gf·cm', 'gfcm'),
    unit(
      'in·lb',
      INCH * POUND_FORCE,
      'inlb',
      'lb·in',
      'lbin',
      'lbf·in',
      'lbfin',
      'in·lbf',
      'inlbs',
      'in·lbs',
    ),
    unit('ft·lb', FOOT * POUND_FORCE, 'ftlb', 'lb·ft', 'lbft', 'lbf·ft', 'ft·lbf', 'ftlbs', 'ft·lbs'),
    unit('oz·in', INCH * OUNCE_FORCE, 'ozin', 'in·oz', 'inoz', 'ozf·in'),
  ],
  metric: only('N·m'),
  // One unit for all: torques of a page are compared with each other.
  imperial: only('in·lb'),
};

/** Pascals and pounds a square inch. */
export const stress: DimensionDefinition = {
  title: 'stress',
  siSymbol: 'Pa',
  units: [
    unit('MPa', 1e6, 'N/mm2', 'N/mm²'),
    unit('kPa', 1e3),
    unit('bar', 1e5),
    unit('Pa', 1, 'pascal', 'pascals'),
    unit('psi', POUND_FORCE / (INCH * INCH), 'lbf/in2', 'lbf/in²'),
    unit('kpsi', (1000 * POUND_FORCE) / (INCH * INCH), 'ksi'),
  ],
  metric: [
    { symbol: 'kPa', from: 0 },
    { symbol: 'MPa', from: 1e6 },
  ],
  imperial: [
    { symbol: 'psi', from: 0 },
    { symbol: 'kpsi', from: (1000 * POUND_FORCE) / (INCH * INCH) },
  ],
};
