import { thingsOfStep, type PlannedStep } from '@zubric/core/assembly';
import { thingsOf, type Solid } from '@zubric/core/layout';
import { useMemo } from 'react';
import { outlineOf } from '../../drawings/outline.ts';
import { extentOf, scaleFor, sheetOf, type Sheet } from '../../drawings/views.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 360;
const MOST_HIGH = 220;

const pathOf = (solid: Solid, sheet: Sheet): string =>
  outlineOf(solid, 'plan')
    .map((point) =>
      sheet
        .at(point)
        .map((x) => x.toFixed(1))
        .join(' '),
    )
    .join(' ');

/** The vehicle from above, with what a step puts in or works at marked; nothing where none of it has a place. */
export function StepDrawing({ step }: { readonly step: PlannedStep }) {
  const { build } = useBuild();
  const drawn = useMemo(() => {
    const marked = new Set(thingsOfStep(build, step));
    const things = thingsOf(build).filter(({ kind }) => kind !== 'keep-out' && kind !== 'shell');
    const extent = extentOf(build);
    return { marked, things, sheet: sheetOf('plan', extent, scaleFor(extent, WIDTH, MOST_HIGH)) };
  }, [build, step]);
  const { marked, things, sheet } = drawn;
  const names = things.flatMap(({ id, name }) => (marked.has(id) ? [name] : []));
  if (names.length === 0) return null;
  // What is marked lies over what is not.
  const ordered = [...things].sort((a, b) => Number(marked.has(a.id)) - Number(marked.has(b.id)));
  return (
    <figure className="max-w-96">
      <svg
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className="block w-full border border-line bg-field"
        role="img"
        aria-label={`From above, the front to the right; marked: ${names.join(', ')}`}
      >
        {ordered.flatMap(({ id, standing }) =>
          standing.map((solid, n) => (
            <polygon
              key={`${id} ${n}`}
              points={pathOf(solid, sheet)}
              fill={marked.has(id) ? 'var(--color-mech-lo)' : 'none'}
              stroke={marked.has(id) ? 'var(--color-mech)' : 'var(--color-edge)'}
              strokeWidth={marked.has(id) ? 2.5 : 1}
            />
          )),
        )}
      </svg>
      <figcaption className="text-[14px] text-soft">
        From above, the front to the right. Marked: {names.join(', ')}.
      </figcaption>
    </figure>
  );
}
