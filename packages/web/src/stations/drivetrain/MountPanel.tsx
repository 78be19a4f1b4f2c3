import { mountInput, playInput } from '@zubric/core/capability';
import { closeness, linkDefinition } from '@zubric/core/judge';
import { RELEASES, RELEASE_TITLES, type Drive, driveOf, changeDrive } from '@zubric/core/vehicle';
import { calculated, fixed } from '@zubric/core/working';
import { showNumber, type Quantity } from '@zubric/core/quantity';
import { mountPull, playSum, stageName, type Stage } from '@zubric/core/transmission';
import { useSay } from '../../common/units.tsx';
import { zeroOrMore } from '../../fields/checks.ts';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Link } from 'react-router';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensMargin } from '../../working/OpensOf.tsx';
import { Opens } from '../../working/Opens.tsx';
import { useHardestLoads } from './hardest-loads.ts';

/** How the motor is held, what play the stages add up to, and moving the vehicle by hand. */
export function MountPanel() {
  return (
    <div className="grid gap-3 md:grid-cols-3">
      <Mount />
      <Play />
      <ByHand />
    </div>
  );
}

/** What the first stage pulls on the hardest duty. */
function usePull() {
  const { build } = useBuild();
  const hardest = useHardestLoads();
  const given = hardest && mountInput(build, hardest.stages);
  return hardest && given && { given, ...hardest };
}

function Mount() {
  const { report } = useBuild();
  const say = useSay();
  const pull = usePull();
  const found = pull && mountPull.run(pull.given);
  const link = [...report.links]
    .filter((l) => l.link === 'mount-twist')
    .sort((a, b) => closeness(a) - closeness(b))[0];
  return (
    <section className="sheet px-3 py-2" aria-labelledby="mount-title">
      <h2 id="mount-title">The motor’s mount</h2>
      <MountFields />
      {found && pull ? (
        <p className="mt-2">
          The first stage pulls{' '}
          <Opens
            title="the pull at the mount"
            work={() =>
              calculated(
                mountPull,
                pull.given,
                'shaftN',
                Object.keys(pull.given).map((key) => fixed(key, `Drivetrain, on “${pull.duty}”`)),
              )
            }
          >
            {say(found.shaftN, 'force')}
          </Opens>{' '}
          across its shaft and turns the mount with {say(found.momentNm, 'torque')} on “{pull.duty}”.
        </p>
      ) : (
        <p className="mt-2 text-soft">Nothing is known to pull at it.</p>
      )}
      {link ? (
        <p className={`mt-1 ${link.verdict === 'fails' ? 'text-short' : ''}`}>
          It twists by{' '}
          <OpensMargin link={link} side="needs" title="the twist of the mount">
            {say(link.needs, linkDefinition(link.link).dimension)}
          </OpensMargin>{' '}
          of{' '}
          <OpensMargin link={link} side="has" title="the twist that loops bear">
            {say(link.has, 'angle')}
          </OpensMargin>
          , <b className="font-semibold">{`${showNumber(link.ratio)} × ${link.verdict}`}</b>.
        </p>
      ) : (
        <p className="mt-1 text-[14px] text-soft">
          Clamp a bar to the mount, hang 1 kg one metre out (10 N·m), and measure how far it turns.
        </p>
      )}
      {pull && (
        <p className="mt-1 text-[14px] text-soft">
          Two schools: a rigid mount takes that moment; a gearbox that floats on the axle on a torque arm of
          200 mm pulls its anchor with {say(pull.wheelTorqueNm / 0.2, 'force')} instead and keeps its own
          line.
        </p>
      )}
    </section>
  );
}

/** Where a jockey's lever is worked out. */
const LeverSum = () => (
  <p className="mt-1.5 text-[14px]">
    <Link className="underline" to="/sums/jockey-lever">
      How tight does its lever pull the belt?
    </Link>
  </p>
);

/** Where the mount is, how far it gives, and what room there is. */
function MountFields() {
  const { build, edit } = useBuild();
  const { mount, room } = driveOf(build);
  const change = (part: Partial<Drive['mount']>): void =>
    edit((b) => changeDrive(b, { mount: { ...driveOf(b).mount, ...part } }));
  return (
    <div className="mt-1.5 flex flex-wrap items-end gap-2">
      <SchemaField
        part="mount"
        field="lever"
        className="w-[128px]"
        value={mount.lever}
        onChange={(lever) => change({ lever })}
      />
      <SchemaField
        part="mount"
        field="twist"
        className="w-[134px]"
        value={mount.twist}
        onChange={(twist) => change({ twist })}
        onClear={() => edit((b) => changeDrive(b, { mount: { lever: driveOf(b).mount.lever } }))}
      />
      <SchemaField
        part="drive"
        field="room"
        className="w-[110px]"
        value={room}
        onChange={(r) => edit((b) => changeDrive(b, { room: r }))}
        onClear={() => edit((b) => changeDrive(b, { room: undefined }))}
      />
    </div>
  );
}

function Play() {
  const { build, edit } = useBuild();
  const say = useSay();
  const given = playInput(build);
  const found = given && playSum.run(given);
  const change = (stage: Stage, play: Quantity | undefined): void =>
    edit((b) =>
      changeDrive(b, {
        stages: driveOf(b).stages.map((s) => {
          if (s.id !== stage.id) return s;
          const { play: _was, ...rest } = s;
          return (play ? { ...rest, play } : rest) as Stage;
        }),
      }),
    );
  return (
    <section className="sheet px-3 py-2" aria-labelledby="play-title">
      <h2 id="play-title">Play, added up</h2>
      {given && found ? (
        <>
          <p className="mt-1.5">
            <Opens
              title="the play at the wheel"
              work={() => calculated(playSum, given, 'atWheelDeg', [fixed('stages', 'Drivetrain')])}
            >
              {`${showNumber(found.atWheelDeg)}°`}
            </Opens>{' '}
            at the wheel, {say((found.atGroundMm ?? 0) / 1000, 'length')} on the ground, while the motor is
            held.
          </p>
          <div className="mt-1.5 flex flex-wrap gap-2">
            {driveOf(build).stages.map((stage, at) => (
              <QuantityField
                key={stage.id}
                label={`${at + 1}, ${stageName(stage.kind)}`}
                className="w-[118px]"
                dimension="angle"
                value={stage.play}
                check={zeroOrMore}
                onChange={(play) => change(stage, play)}
                onClear={() => change(stage, undefined)}
              />
            ))}
          </div>
          <p className="mt-1 text-[14px] text-soft">
            Empty: what its kind usually has. Play near the wheel counts most; run-out of wheels and sprockets
            comes on top.
          </p>
        </>
      ) : (
        <p className="mt-1.5 text-soft">No stages, no play but the motor’s own.</p>
      )}
    </section>
  );
}

function ByHand() {
  const { build, report, edit } = useBuild();
  const say = useSay();
  const { release, stages } = driveOf(build);
  const { moved } = report.train;
  const change = (part: Partial<Drive['release']>): void =>
    edit((b) => changeDrive(b, { release: { ...driveOf(b).release, ...part } }));
  return (
    <section className="sheet px-3 py-2" aria-labelledby="hand-title">
      <h2 id="hand-title">Moved by hand</h2>
      <div className="mt-1.5 flex flex-wrap items-end gap-2">
        <Choice
          label="Disengages by"
          className="w-[190px]"
          value={release.kind}
          options={RELEASES.map((value) => ({ value, title: RELEASE_TITLES[value] }))}
          onChange={(kind) => change({ kind })}
        />
        {release.kind !== 'none' && (
          <>
            <Choice
              label="At"
              className="w-[150px]"
              value={release.at ?? ''}
              options={[
                { value: '', title: 'the motor’s shaft' },
                ...stages.map(({ id, kind }, at) => ({
                  value: id,
                  title: `${at + 1}, ${stageName(kind)}`,
                })),
              ]}
              onChange={(at) => change({ at: at === '' ? null : at })}
            />
            <SchemaField
              part="release"
              field="drag"
              className="w-[120px]"
              value={release.drag}
              onChange={(drag) => change({ drag })}
            />
          </>
        )}
      </div>
      {release.kind === 'jockey' && <LeverSum />}
      {moved ? (
        <>
          <p className="mt-2">
            {moved.engagedN === null ? (
              <>With the drive in it cannot be pushed: a stage locks.</>
            ) : (
              <>
                With the drive in, pushing takes{' '}
                <b className="font-semibold">{say(moved.engagedN, 'force')}</b> beside its rolling.
              </>
            )}
            {moved.releasedN === null &&
              ' Disengaged there it still locks: a stage that locks is left behind.'}
            {typeof moved.releasedN === 'number' && (
              <>
                {' '}
                Disengaged, <b className="font-semibold">{say(moved.releasedN, 'force')}</b>; then the drive
                holds nothing.
              </>
            )}
          </p>
          <p className="mt-1 text-[14px] text-soft">
            Each motor feels {showNumber(moved.feltKgM2 * 1e7)} g·cm² of the empty vehicle; its rotors add{' '}
            {showNumber((moved.rotatingMassFactor - 1) * 100, 2)} % to the mass that is sped up.
          </p>
        </>
      ) : (
        <p className="mt-2 text-soft">Choose a motor in Power first.</p>
      )}
    </section>
  );
}
