import type { Build } from './document.ts';
import { LAYOUT_TEMPLATES } from './layout-templates.ts';
import { newBuild } from './new-build.ts';
import { startBuild, type StartAnswers } from './start.ts';

/** A vehicle to start from, for those who begin one by its name alone. Every number in it is assumed. */
export interface VehicleTemplate {
  readonly id: string;
  readonly title: string;
  readonly make: (name: string) => Build;
}

const begun = (id: string, title: string, answers: Omit<StartAnswers, 'name'>): VehicleTemplate => ({
  id,
  title,
  make: (name) => startBuild({ ...answers, name }),
});

const climbAndCarry = [{ id: 'carry' }, { id: 'climb' }];

/** Vehicles of the shed, and each layout by itself. */
export const TEMPLATES: readonly VehicleTemplate[] = [
  { id: 'blank', title: 'Blank', make: newBuild },
  begun('barrow', 'Load barrow', { layout: 'two-castors', like: 'barrow', jobs: climbAndCarry }),
  begun('classroom-cart', 'Classroom cart', {
    layout: 'two-slider',
    like: 'desk',
    jobs: [{ id: 'cruise' }, { id: 'climb' }],
  }),
  begun('yard-tug', 'Yard tug', {
    layout: 'tug',
    like: 'barrow',
    jobs: [{ id: 'pull' }, { id: 'cruise' }],
  }),
  ...LAYOUT_TEMPLATES.map(({ id, title }) =>
    begun(id, title, { layout: id, like: 'barrow', jobs: climbAndCarry }),
  ),
];

/**
 * A new build from a template; the blank one where there is no such template.
 *
 * @example buildFrom('blank', 'Tern').name // 'Tern'
 */
export const buildFrom = (templateId: string, name: string): Build =>
  (TEMPLATES.find((template) => template.id === templateId)?.make ?? newBuild)(name);
