import { footingOf, type Footing } from '@zubric/core/demand';
import {
  LAYOUT_TEMPLATES,
  addAxle,
  changeAxle,
  layoutKind,
  withLayout,
  type DrivenTogether,
  changeDrive,
  driveOf,
} from '@zubric/core/vehicle';
import { Suspense, useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { later } from '../../session/later.tsx';
import { VehicleDrawing } from '../../vehicle/VehicleDrawing.tsx';
import { VehicleThumb } from '../../vehicle/VehicleThumb.tsx';
import { MassTable } from './MassTable.tsx';
import { AxleRow, type AxleChange } from './AxleRow.tsx';
import { lazyPart } from '../../common/lazy-part.ts';

const Panel = lazyPart(async () => (await import('../../common/Panel.tsx')).Panel);

/** On the level, at rest and as loaded as its first duty: what the drawings show of its weight. */
function useFooting(): Footing | undefined {
  const { build } = useBuild();
  const duty = build.duties[0];
  const rest = { gradeRad: 0, accelerationMps2: 0, drawbarN: 0, pushN: 0, cornerMps2: 0 };
  return duty && footingOf(build, { ...duty, sideSlope: undefined }, rest);
}

/** What the vehicle stands on, drawn to scale and edited by number or by hand. */
export function LayoutForm() {
  const { build } = useBuild();
  const [choosing, setChoosing] = useState(false);
  return (
    <section className="sheet drawn-in-sight grid gap-2 p-3" aria-label="What it stands on">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2>
          Stands on: {layoutKind(build.layout.kind).title}{' '}
          <span className="font-sans text-[14px] font-normal text-soft">
            Loads on the level, at rest. Drag wheels and masses, or use the arrow keys on them.
          </span>
        </h2>
        <button type="button" className="push" onClick={() => setChoosing(true)}>
          Another layout
        </button>
      </div>
      <Drawn />
      <Masses />
      <Axles />
      {choosing && <LayoutPicker onClose={() => setChoosing(false)} />}
    </section>
  );
}

function LayoutPicker({ onClose }: { readonly onClose: () => void }) {
  const { build, edit } = useBuild();
  return (
    <Suspense>
      <Panel title="What does it stand on?" onClose={onClose}>
        <p className="text-soft">
          Measures and masses are taken over; each is filled to scale and can be changed after. Undo leads
          back.
        </p>
        <ul className="mt-2 grid grid-cols-2 gap-2">
          {LAYOUT_TEMPLATES.map((template) => {
            const made = withLayout(build, template);
            return (
              <li key={template.id}>
                <button
                  type="button"
                  className="flex h-full w-full flex-col border border-line bg-field p-2 text-left hover:border-ink"
                  onClick={() => {
                    edit((b) => withLayout(b, template));
                    onClose();
                  }}
                >
                  <span className="grid w-full grid-cols-2" aria-hidden="true">
                    <VehicleThumb shape={made} view="side" width={180} height={120} />
                    <VehicleThumb shape={made} view="plan" width={180} height={120} />
                  </span>
                  <b className="font-semibold">{template.title}</b>
                  <span className="text-[14px] text-soft">{template.sentence}</span>
                </button>
              </li>
            );
          })}
        </ul>
      </Panel>
    </Suspense>
  );
}

const TOGETHER_TITLES: Readonly<Record<DrivenTogether, string>> = {
  wheel: 'each wheel by itself',
  side: 'each side as one',
  axle: 'each axle as one',
  all: 'all as one',
};

/** From the side and from above. */
function Drawings() {
  const { build, edit } = useBuild();
  const footing = useFooting();
  const how = { build, width: 520, height: 230, footing, edit };
  return (
    <div className="grid gap-2 md:grid-cols-2">
      <VehicleDrawing
        {...how}
        view="side"
        label="The vehicle from the side, front to the right, on the level; masses and wheels can be moved"
      />
      <VehicleDrawing
        {...how}
        view="plan"
        label="The vehicle from above, front to the right; masses and wheels can be moved"
      />
    </div>
  );
}

const Drawn = later(Drawings);
const Masses = later(MassTable);
const Axles = later(AxleTable);

/** Every axle by its numbers, and how its wheels are driven together. */
function AxleTable() {
  const { build, edit } = useBuild();
  const { layout } = build;
  const drive = driveOf(build);
  const kind = layoutKind(layout.kind);
  const change = (id: string, part: AxleChange): void => edit((b) => changeAxle(b, id, part));
  return (
    <>
      <div className="relative overflow-x-auto">
        <table className="grid-table stacked">
          <caption className="sr-only">What it stands on</caption>
          <thead>
            <tr>
              <th scope="col">Axle</th>
              <th scope="col">On</th>
              <th scope="col">Tyre</th>
              <th scope="col">Ahead</th>
              <th scope="col">Track</th>
              <th scope="col">Diameter</th>
              <th scope="col">Width</th>
              <th scope="col">Driven, steered, braked</th>
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {layout.axles.map((axle) => (
              <AxleRow key={axle.id} axle={axle} onChange={(part) => change(axle.id, part)} />
            ))}
          </tbody>
        </table>
      </div>
      <div className="grid items-end gap-3 sm:grid-cols-[auto_repeat(3,minmax(0,1fr))]">
        <button
          type="button"
          className="push push-small"
          disabled={layout.axles.length >= 8}
          onClick={() => edit(addAxle)}
        >
          Add an axle
        </button>
        {layout.drum && (
          <SchemaField
            part="layout"
            field="drum"
            value={layout.drum}
            onChange={(drum) => edit((b) => ({ ...b, layout: { ...b.layout, drum } }))}
          />
        )}
        {kind.together.length > 1 && (
          <Choice
            label="Driven together"
            value={drive.together}
            options={kind.together.map((value) => ({ value, title: TOGETHER_TITLES[value] }))}
            onChange={(together) => edit((b) => changeDrive(b, { together }))}
          />
        )}
        {(drive.together === 'axle' || drive.together === 'all') &&
          !layoutKind(layout.kind).pullsByRope &&
          !layoutKind(layout.kind).rollsInside && (
            <Choice
              label="Left and right of an axle"
              value={drive.differential}
              options={[
                { value: 'open', title: 'a differential between' },
                { value: 'locked', title: 'locked: a live axle' },
              ]}
              onChange={(differential) => edit((b) => changeDrive(b, { differential }))}
            />
          )}
      </div>
    </>
  );
}
