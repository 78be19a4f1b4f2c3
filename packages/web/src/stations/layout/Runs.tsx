import { stageHubs, stageTitle } from '@zubric/core/transmission';
import type { Build, PlacedPart, WheelOfDrive } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const NONE = '';
const keyOf = ({ driveId, stageId, wheel }: WheelOfDrive): string =>
  JSON.stringify([driveId, stageId, wheel]);

/** Every wheel that the stages of a build have, by what it is called. */
function wheelsOf({
  drives,
}: Build): { readonly value: string; readonly title: string; readonly runs: WheelOfDrive }[] {
  return drives.flatMap((drive) =>
    drive.stages.flatMap((stage, n) => {
      const [driver, driven] = stageHubs(stage);
      return (
        [
          ['driver', driver],
          ['driven', driven],
        ] as const
      ).flatMap(([wheel, name]) => {
        if (name === undefined) return [];
        const runs = { driveId: drive.id, stageId: stage.id, wheel };
        const where = `${stageTitle(stage.kind).toLowerCase()}, stage ${n + 1} of ${drive.name}`;
        return [{ value: keyOf(runs), title: `${name}: ${where}`, runs }];
      });
    }),
  );
}

interface Props {
  readonly part: PlacedPart;
  readonly onChange: (values: Partial<PlacedPart>) => void;
}

/** Which wheel of the drivetrain a placed part is, where it is one. */
export function Runs({ part, onChange }: Props) {
  const { build } = useBuild();
  const wheels = wheelsOf(build);
  const now = part.runs ? keyOf(part.runs) : NONE;
  const isGone = now !== NONE && !wheels.some(({ value }) => value === now);
  if (wheels.length === 0 && now === NONE) return null;
  return (
    <Choice
      className="col-span-2"
      label="What it is in the drivetrain"
      value={now}
      options={[
        { value: NONE, title: 'no sprocket, pulley or gear' },
        ...(isGone ? [{ value: now, title: 'a wheel of a stage that is gone' }] : []),
        ...wheels,
      ]}
      onChange={(value) => onChange({ runs: wheels.find((wheel) => wheel.value === value)?.runs })}
    />
  );
}
