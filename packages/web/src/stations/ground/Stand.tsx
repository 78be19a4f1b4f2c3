import type { DutyReport } from '@zubric/core/capability';
import { accelerationOf, footingOf, stanceOf, type GradeAndAcceleration } from '@zubric/core/demand';
import type { Build, Duty } from '@zubric/core/vehicle';
import { useId, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { VehicleDrawing } from '../../vehicle/VehicleDrawing.tsx';

interface Props {
  readonly duty: Duty;
  readonly of: DutyReport;
  readonly onChoose: (dutyId: string) => void;
}

/** What is tried here beside what the duty says: nothing of it is kept until it is put into the duty. */
type Tried = Partial<GradeAndAcceleration>;

/** How it stands in a duty: wheel loads on the drawing, live with the slope, with speeding up and with what is moved. */
export function Stand({ duty, of, onChoose }: Props) {
  const { build, edit } = useBuild();
  const [tried, setTried] = useState<Tried>({});
  const own = stanceOf(build, duty);
  const stance = stanceOf(build, duty, tried);
  const trying = Object.keys(tried).length > 0;
  const footing = trying ? footingOf(build, duty, stance) : of.footing;
  const put = (): void => {
    edit((b) => putInto(b, duty.id, stance));
    setTried({});
  };
  return (
    <section className="sheet p-3" aria-label="How it stands">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Choice
          label="Job"
          className="w-52"
          value={duty.id}
          options={build.duties.map((d) => ({ value: d.id, title: d.name }))}
          onChange={onChoose}
        />
        <Slide
          label="Grade"
          dimension="angle"
          value={stance.gradeRad}
          reach={Math.max(0.6, Math.abs(own.gradeRad) * 1.5)}
          onChange={(gradeRad) => setTried({ ...tried, gradeRad })}
        />
        <Slide
          label="Speeding up"
          dimension="acceleration"
          value={stance.accelerationMps2}
          reach={Math.max(4, Math.abs(own.accelerationMps2) * 1.5)}
          onChange={(accelerationMps2) => setTried({ ...tried, accelerationMps2 })}
        />
        {trying && (
          <span className="flex gap-2 pb-0.5">
            <button type="button" className="push push-small" onClick={put}>
              Put into the job
            </button>
            <button type="button" className="push push-small" onClick={() => setTried({})}>
              As the job says
            </button>
          </span>
        )}
      </div>
      <div className="mt-2 grid gap-2 md:grid-cols-[1.25fr_1fr]">
        <VehicleDrawing
          build={build}
          view="side"
          width={420}
          height={290}
          footing={footing}
          gradeRad={stance.gradeRad}
          payloadShare={duty.payloadShare.value}
          drawbarN={stance.drawbarN}
          edit={edit}
          label={`The vehicle from the side on “${duty.name}”, front to the right, with the load on each axle`}
        />
        <VehicleDrawing
          build={build}
          view="plan"
          payloadShare={duty.payloadShare.value}
          width={340}
          height={290}
          footing={footing}
          edit={edit}
          label={`The vehicle from above on “${duty.name}”, with the load on each wheel`}
        />
      </div>
      {!footing.stands && (
        <p role="status" className="font-semibold text-short">
          It does not stand like this: the weight acts outside the wheels.
        </p>
      )}
    </section>
  );
}

/** How hard it speeds up, stated: instead of a distance or time to its speed, where that is now another. */
function withAcceleration(duty: Duty, accelerationMps2: number): Duty {
  if (accelerationMps2 === accelerationOf(duty)) return duty;
  const { upToSpeed: _up, ...rest } = duty;
  return { ...rest, acceleration: { ...duty.acceleration, value: accelerationMps2, origin: 'typed' } };
}

const putInto = (
  build: Build,
  dutyId: string,
  { gradeRad, accelerationMps2 }: GradeAndAcceleration,
): Build => ({
  ...build,
  duties: build.duties.map((d) =>
    d.id === dutyId
      ? {
          ...withAcceleration(d, accelerationMps2),
          grade: { ...d.grade, value: gradeRad, origin: 'typed' },
        }
      : d,
  ),
});

interface SlideProps {
  readonly label: string;
  readonly dimension: 'angle' | 'acceleration';
  readonly value: number;
  readonly reach: number;
  readonly onChange: (value: number) => void;
}

const STEPS = 120;

function Slide({ label, dimension, value, reach, onChange }: SlideProps) {
  const say = useSay();
  const id = useId();
  // Steps that are read well: half a degree, a twentieth of a metre per second squared.
  const step = dimension === 'angle' ? Math.PI / 360 : Math.max(0.05, Number((reach / STEPS).toPrecision(1)));
  return (
    <div className="w-44">
      <label htmlFor={id} className="flex justify-between text-[14px] text-soft">
        {label} <b className="font-semibold text-ink">{say(value, dimension)}</b>
      </label>
      <input
        id={id}
        type="range"
        className="w-full accent-ink"
        min={-Math.ceil(reach / step)}
        max={Math.ceil(reach / step)}
        step={1}
        value={Math.round(value / step)}
        aria-valuetext={say(value, dimension)}
        onChange={(event) => onChange(Number(event.target.value) * step)}
      />
    </div>
  );
}
