import { asSchool, SCHOOLS, type DriveAsk, type School } from '@zubric/core/driving';
import { SCHOOL_WORDS } from '@zubric/core/say';
import type { Control, Mismatch } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { sameCourse, SHIPPED } from './courses.ts';
import { between, PlainNumber } from './PlainNumber.tsx';
import type { useDriving } from './use-driving.ts';

const OWN = 'own';

/** What is set of a course. */
export type Set = Pick<ReturnType<typeof useDriving>, 'setCourse' | 'setControl' | 'setMismatch'>;

const schoolOf = ({ ends, sync, heading }: Control): School | 'other' =>
  (Object.keys(SCHOOLS) as School[]).find((name) => {
    const school: Control = SCHOOLS[name];
    return school.ends === ends && !school.sync === !sync && !school.heading === !heading;
  }) ?? 'other';

const OFTEN = 0.5;
const SHARE = between(0, OFTEN, 'From 0 to 50 %.');
const EITHER = between(-OFTEN, OFTEN, 'From −50 % to 50 %.');

const DEGREE = Math.PI / 180;
const ANGLE = between(0, 30 * DEGREE, 'From 0 to 30°.');

interface MismatchEntry {
  readonly key: keyof Mismatch;
  readonly label: string;
  readonly check: typeof SHARE;
  /** Of an angle, which is kept in degrees. */
  readonly isAngle?: true;
}

const WHEELS: MismatchEntry = { key: 'wheels', label: 'Wheels alike within ±', check: SHARE };
const BY_SIDES: readonly MismatchEntry[] = [
  { key: 'rightFaster', label: 'Right motor faster by', check: EITHER },
  { key: 'motors', label: 'Motors alike within ±', check: SHARE },
  WHEELS,
];
const BY_STEERING: readonly MismatchEntry[] = [
  { key: 'steerDeg', label: 'Steering straight within ±', check: ANGLE, isAngle: true },
  { key: 'playDeg', label: 'Play of the steering', check: ANGLE, isAngle: true },
  WHEELS,
];

/** Which course, how it is driven, and how alike its parts are. */
interface HowProps extends Set {
  readonly ask: DriveAsk;
  readonly steers: boolean;
}

export function How({ ask, steers, setCourse, setControl, setMismatch }: HowProps) {
  const { course, control, mismatch } = ask;
  const shipped = SHIPPED.findIndex((one) => sameCourse(one, course));
  const school = schoolOf(control);
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Choice
        label="Course"
        className="w-64"
        value={shipped < 0 ? OWN : String(shipped)}
        options={[
          ...(shipped < 0 ? [{ value: OWN, title: 'Your own' }] : []),
          ...SHIPPED.map(({ name }, n) => ({ value: String(n), title: name })),
        ]}
        onChange={(value) => {
          const chosen = SHIPPED[Number(value)];
          if (chosen) setCourse(chosen);
        }}
      />
      <Choice
        label="Driven"
        className="w-64"
        value={school}
        options={[
          ...(school === 'other' ? [{ value: 'other' as const, title: 'in another way' }] : []),
          ...(Object.keys(SCHOOLS) as School[]).map((value) => ({ value, title: SCHOOL_WORDS[value] })),
        ]}
        onChange={(value) => {
          if (value !== 'other') setControl(asSchool(control, value));
        }}
      />
      <PlainNumber
        label="Speed"
        dimension="speed"
        unit="m/s"
        value={course.speedMps}
        check={between(0.001, 50, 'More than 0, up to 50 m/s.')}
        onChange={(speedMps) => setCourse({ ...course, speedMps })}
        className="w-28"
      />
      {(steers ? BY_STEERING : BY_SIDES).map(({ key, label, check, isAngle }) => {
        const per = isAngle ? DEGREE : 1;
        return (
          <PlainNumber
            key={key}
            {...{ label, check }}
            dimension={isAngle ? 'angle' : 'share'}
            unit={isAngle ? '°' : '%'}
            value={mismatch[key] * per}
            onChange={(value) => setMismatch({ ...mismatch, [key]: value / per })}
            className="w-44"
          />
        );
      })}
    </div>
  );
}
