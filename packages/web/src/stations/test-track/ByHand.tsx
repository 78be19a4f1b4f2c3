import { HandRun, whyNotDriven, type HandState } from '@zubric/core/driving';
import { useMemo, useRef, useState } from 'react';
import { useSay, useSentence } from '../../common/units.tsx';
import { PlainSwitch } from '../../common/PlainSwitch.tsx';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { NOT_DRIVEN } from './not-driven.ts';
import { KEYS, type Box, type Pushed } from './hands.ts';
import { steersByWheels } from './use-driving.ts';
import { useHandDrive, type HandDrive } from './use-hand-drive.ts';
import { Yard, type YardHandle } from './Yard.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';

const BOX_WORDS = [
  { value: 'stick', title: 'Stick: arrow keys' },
  { value: 'two levers', title: 'Two levers: Q and A, E and D' },
] as const;

/** Driven by keys, buttons or a gamepad, in true time and scale. */
export function ByHand() {
  const { build } = useBuild();
  const why = whyNotDriven(build);
  if (why !== undefined || build.duties.length === 0)
    return (
      <div>
        <h1>How does it drive by hand?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          {why === undefined ? 'State a job in the Brief first.' : NOT_DRIVEN[why]}
        </p>
      </div>
    );
  // Another build is another vehicle on the yard.
  return <Driven key={JSON.stringify([build.layout, build.drives, build.supply, build.masses])} />;
}

function Driven() {
  const { build } = useBuild();
  const steers = steersByWheels(build);
  const [box, setBox] = useState<Box>('stick');
  const [most, setMost] = useState(0.6);
  const [isCut, setCut] = useState(false);
  const yard = useRef<YardHandle>(null);
  const driven = useMemo(() => new HandRun(build).driven, [build]);
  const drive = useHandDrive(build, { box, most, isCut, steers }, yard);
  const { mode, state, problem, push, letGo } = drive;
  const sentence = useSentence();
  const key = (event: React.KeyboardEvent, on: boolean): void => {
    const what = KEYS[box][event.code];
    if (what === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    push(what, on);
  };
  return (
    <section className="grid gap-3" aria-labelledby="by-hand">
      <div>
        <h1 id="by-hand">How does it drive by hand?</h1>
        <Told state={mode === 'off' ? undefined : state} />
        {problem && (
          <p role="alert" className="text-short">
            {sentence(problem.sentence)}
          </p>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-4">
        <PlainSwitch
          label="How the hand drives"
          options={BOX_WORDS}
          value={box}
          onChoose={setBox}
          className="pb-1.5"
        />
        <PlainNumber
          label="Command at most"
          dimension="share"
          unit="%"
          value={most}
          check={between(0.05, 1, 'From 5 to 100 % of full command.')}
          onChange={setMost}
          className="w-36"
        />
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={isCut}
            onChange={(event) => setCut(event.target.checked)}
          />
          Cut the link to it
        </label>
      </div>
      <div
        className="sheet focus-within:border-ink"
        role="group"
        aria-label="The yard: keys drive while this has the focus"
        onKeyDown={(event) => key(event, true)}
        onKeyUp={(event) => key(event, false)}
        onBlur={letGo}
      >
        <Controls {...{ drive, box }} />
        <Yard ref={yard} driven={driven} />
      </div>
      <Caution>
        A vehicle that is driven from afar needs a stop that works without its link: cut the link here and see
        what yours would do. People and pets out of the way before the wheels may turn.
      </Caution>
    </section>
  );
}

/** Taken, let go, driven again; and what a finger drives by. */
function Controls({ drive, box }: { readonly drive: HandDrive; readonly box: Box }) {
  const { mode, take, stop, again, canRepeat, push } = drive;
  return (
    <div className="flex flex-wrap items-center gap-3 border-b border-line p-3">
      <button type="button" className="push push-main" onClick={mode === 'off' ? take : stop}>
        {mode === 'off' ? 'Take the controls' : mode === 'again' ? 'Stop' : 'Let go'}
      </button>
      {mode === 'off' && canRepeat && (
        <button type="button" className="push" onClick={again}>
          Drive it again as recorded
        </button>
      )}
      {mode === 'driving' && <Buttons box={box} onPush={push} />}
    </div>
  );
}

/** What is told in words. */
function Told({ state }: { readonly state: HandState | undefined }) {
  const say = useSay();
  if (!state)
    return (
      <p className="mt-0.5 text-[16px] text-soft">
        In true time and scale, on the ground and with the load of its first job. Take the controls, then
        drive by keys, by the buttons, or with a gamepad.
      </p>
    );
  return (
    <p className="mt-0.5 text-[16px] text-soft" role="status">
      It goes <b className="font-semibold text-mech">{say(Math.abs(state.mps), 'speed')}</b>
      {state.mps < -0.005 ? ' backwards' : ''} and draws{' '}
      <b className="font-semibold text-elec">{say(Math.max(0, state.batteryA), 'current')}</b> from its
      battery.
      {state.failSafe && (
        <b className="font-semibold text-short"> Nothing comes over its link: it has stopped by itself.</b>
      )}
      {state.slips && <b className="font-semibold text-short"> A wheel slips.</b>}
      {state.tipped && <b className="font-semibold text-short"> It has tipped over.</b>}
    </p>
  );
}

const STICK: readonly (readonly [keyof Pushed, string])[] = [
  ['ahead', 'Ahead'],
  ['back', 'Back'],
  ['left', 'Left'],
  ['right', 'Right'],
];
const LEVERS: readonly (readonly [keyof Pushed, string])[] = [
  ['leftAhead', 'Left ahead'],
  ['leftBack', 'Left back'],
  ['rightAhead', 'Right ahead'],
  ['rightBack', 'Right back'],
];

interface ButtonsProps {
  readonly box: Box;
  readonly onPush: (what: keyof Pushed, on: boolean) => void;
}

/** The same for a finger: what is held is pushed. */
const Buttons = ({ box, onPush }: ButtonsProps) => (
  <span className="flex flex-wrap gap-2">
    {(box === 'stick' ? STICK : LEVERS).map(([what, title]) => (
      <button
        key={what}
        type="button"
        className="push min-h-11 touch-none select-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          onPush(what, true);
        }}
        onPointerUp={() => onPush(what, false)}
        onPointerCancel={() => onPush(what, false)}
        onKeyDown={(event) => {
          if (event.key === ' ' || event.key === 'Enter') onPush(what, true);
        }}
        onKeyUp={(event) => {
          if (event.key === ' ' || event.key === 'Enter') onPush(what, false);
        }}
      >
        {title}
      </button>
    ))}
  </span>
);
