import type { NotDriven } from '@zubric/core/driving';

/** Why a build is not driven, as it is said. */
export const NOT_DRIVEN: Readonly<Record<NotDriven, string>> = {
  'no-motor': 'Choose a motor in Power first.',
  balances: 'A balancer is tried where it stands, under “Balance”.',
  'by-rope': 'A winch pulls by its rope: it drives over no course.',
  'rolls-inside': 'A sphere with its drive inside is not driven over courses yet.',
};
