import type { Footing } from '@zubric/core/demand';
import { supportArea } from '@zubric/core/ground';
import type { Fit } from '../drawings/shapes.ts';
import type { Placing } from './frame.ts';

/** The ground it stands on, hatched. */
export function GroundLine({ place, fit, width }: { place: Placing; fit: Fit; width: number }) {
  const reach = width / fit.scale;
  const [a, b] = [place(-reach, 0), place(reach, 0)];
  const hatch = Array.from({ length: 80 }, (_, n) => {
    const x = -reach + (n * 2 * reach) / 80;
    const [from, to] = [place(x, 0), place(x - 7 / fit.scale, -8 / fit.scale)];
    return `M${from.x} ${from.y}L${to.x} ${to.y}`;
  });
  return (
    <g>
      <path d={hatch.join('')} stroke="var(--color-line)" />
      <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} stroke="var(--color-ink)" strokeWidth="1.8" />
    </g>
  );
}

/** What it stands on, joined: the weight must act inside. */
export function SupportLines({ footing, place }: { footing: Footing; place: Placing }) {
  const corners = supportArea(footing.contacts);
  if (corners.length < 3) return null;
  const d = corners.map((c) => place(c.aheadM, c.leftM)).map((p) => `${p.x} ${p.y}`);
  return <path d={`M${d.join('L')}Z`} fill="none" stroke="var(--color-edge)" strokeDasharray="5 4" />;
}
