import { keyOfFastener } from './fasteners.ts';
import type { Step } from './step.ts';

/** Screws from this torque on are tightened by a wrench that measures, N·m (common practice, no source). */
const MEASURED_NM = 4;

/** What a kind of step usually takes beside the keys of its screws (common practice, no source). */
const BY_ROLE: Readonly<Record<string, readonly string[]>> = {
  frame: ['square', 'centre punch', 'saw', 'drill', 'file', 'eye and ear protection'],
  print: ['printer', 'scraper'],
  bearings: ['vice or press', 'a socket as wide as the outer ring', 'grease'],
  axle: ['feeler gauge'],
  hubs: ['straight edge'],
  sprockets: ['straight edge'],
  loop: ['chain splitter or pliers'],
  align: ['straight edge', 'rule'],
  mesh: ['strip of paper', 'grease'],
  lock: ['thread lock'],
  labels: ['label tape', 'waterproof pen'],
  wiring: ['wire stripper', 'crimping pliers', 'heat-shrink sleeve', 'cable ties'],
  polarity: ['meter'],
  charge: ['charger', 'a surface that cannot burn'],
  'first-power': ['blocks', 'supply with a current limit, where there is one'],
  'first-run': ['chalk', 'tape measure'],
  slope: ['chocks'],
  program: ['computer or remote'],
  steering: ['rule', 'spanners'],
  brake: ['spanners'],
};

/** What is laid out before a step: what its kind takes, and the keys of its screws. */
export function toolsOf({ role, fasteners }: Pick<Step, 'role' | 'fasteners'>): string[] {
  const keys = fasteners.flatMap((one) => keyOfFastener(one) ?? []);
  const screwed = [...new Set(keys)]
    .sort((a, b) => parseFloat(a) - parseFloat(b))
    .map((key) => `hex key, ${key}`);
  const measured = fasteners.some(({ torqueNm = 0 }) => torqueNm >= MEASURED_NM);
  const nuts = fasteners.some(({ kind }) => kind === 'nut');
  const glued = fasteners.some(({ lock }) => lock === 'thread lock');
  return [
    ...new Set([
      ...(BY_ROLE[role] ?? []),
      ...screwed,
      ...(nuts ? ['spanner for the nuts'] : []),
      ...(measured ? ['torque wrench'] : []),
      ...(glued ? ['thread lock'] : []),
    ]),
  ];
}
