import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import {
  layoutKind,
  FORM_TITLES,
  wheelsOf,
  type Axle,
  type Build,
  type Form,
  driveOf,
} from '../vehicle/index.ts';
import { stageKind, isHub, pathTitle, type PathElement } from '../transmission/index.ts';
import { standingId } from './standing-parts.ts';
import { isModular } from './drive-steps.ts';
import { whole, type Step } from './step.ts';

const plural = (title: string, count: number): string => (count === 1 ? title : `${title}s`);

/** How many things of one form it stands on, and the lines of the parts list that they are. */
function ofForm({ layout }: Build, forms: readonly Form[], driven: boolean) {
  const axles = layout.axles.filter((axle) => axle.driven === driven && forms.includes(axle.form));
  return {
    count: axles.reduce((sum, axle) => sum + wheelsOf(axle), 0),
    needs: axles.map((axle) => standingId(layout, axle)),
    steered: axles.some(({ steered }) => steered),
  };
}

/** What is bolted on to stand upon: castors, omni wheels, sliders, each where the build has it. */
function boltedOn(build: Build): Step[] {
  return (['castor', 'omni', 'slider'] as const).flatMap((form) => {
    const { count, needs } = ofForm(build, [form], false);
    if (count === 0) return [];
    const many = plural(FORM_TITLES[form], count);
    return [
      whole({
        id: form === 'castor' ? 'castors' : `${form}s`,
        title: `Bolt the ${many} on`,
        handsOnS: 30 * MINUTE_S,
        needs,
        after: ['frame'],
      }),
    ];
  });
}

/** What holds the steering: a hand at a bar or wheel, or an actuator. */
const heldBy = ({ steering, people }: Build): string =>
  steering?.hand || (!steering && people === 'riding')
    ? 'The bar or wheel cannot come off its shaft.'
    : 'The actuator is set to its middle before its horn goes on.';

/** What turns the wheels: a turntable in each module, else kingpins and linkage. */
function steeringStep(build: Build): Step {
  if (isModular(build))
    return whole({
      id: 'steering',
      title: 'Put the turntables of the modules together: bearing, steering gear, angle sensor',
      detail:
        'Drilled by the template; the ring greased and turned by hand; the sensor reads nought straight ahead before its screw is tight.',
      handsOnS: 3 * HOUR_S,
      after: ['frame'],
      holdPoint: 'Each turns freely all round, no cable winds up, and all read nought straight ahead.',
    });
  if (layoutKind(build.layout.kind).balanced === 'across')
    return whole({
      id: 'steering',
      title: 'Fit the fork in its head bearings, and the bar',
      detail: `Preloaded until nothing rocks and it still turns by its own weight; then the stem. ${heldBy(build)}`,
      handsOnS: 2 * HOUR_S,
      after: ['frame'],
      holdPoint:
        'The bar held, nobody can twist the wheel; no play, no notch, and the wheel in line with the bar.',
    });
  return whole({
    id: 'steering',
    title: 'Fit what steers: kingpins, linkage and stops',
    detail: `It turns freely from stop to stop. ${heldBy(build)}`,
    handsOnS: 2 * HOUR_S,
    after: ['frame'],
    holdPoint: 'Lock to lock nothing rubs, and both wheels point straight ahead in the middle.',
  });
}

/** What stands on the ground and is not driven, and what steers. */
export function standSteps(build: Build): Step[] {
  const free = ofForm(build, ['wheel', 'roller'], false);
  const steers = build.layout.axles.some(({ steered }) => steered);
  const steering = steers ? [steeringStep(build)] : [];
  return [
    ...boltedOn(build),
    ...steering,
    ...(free.count > 0
      ? [
          whole({
            id: 'free-wheels',
            title: `Put the free ${plural('wheel', free.count)} on`,
            handsOnS: 45 * MINUTE_S,
            needs: free.needs,
            after: ['frame', ...(free.steered ? ['steering'] : [])],
          }),
        ]
      : []),
  ];
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** Shafts in their bearings, then the hubs on them as the torque path says they are held. */
function axleSteps(build: Build, after: readonly string[]): Step[] {
  const { path } = driveOf(build);
  const shafts = path.filter(({ kind }) => kind === 'shaft');
  const hubs = path.filter((element) => element.after !== null && isHub(element));
  const needsOf = (elements: readonly PathElement[]): string[] =>
    elements.filter(({ kind }) => kind !== 'press-fit').map(({ id }) => `path.${id}`);
  const kinds = [...new Set(hubs.map(({ kind }) => lower(pathTitle(kind))))];
  return [
    ...(shafts.length > 0
      ? [
          whole({
            id: 'bearings',
            title: shafts.length === 1 ? 'Set the bearings of the shaft' : 'Set the bearings of the shafts',
            detail: 'Pressed by the ring that is tight, square, never by the other; they spin freely after.',
            handsOnS: 45 * MINUTE_S,
            after: ['frame'],
          }),
          whole({
            id: 'axle',
            title: `Set ${shafts.length === 1 ? 'the shaft in its' : 'the shafts in their'} bearings`,
            detail: 'It turns freely before anything is tightened.',
            handsOnS: HOUR_S,
            needs: needsOf(shafts),
            after: [...after, 'bearings'],
          }),
        ]
      : []),
    ...(hubs.length > 0
      ? [
          whole({
            id: 'hubs',
            title: `Fit the hubs: ${kinds.join(', ')}`,
            detail: 'Keys over their full length; nothing tight before the line is true.',
            handsOnS: HOUR_S,
            needs: needsOf(hubs),
            after: [...after, ...(shafts.length > 0 ? ['axle'] : [])],
          }),
        ]
      : []),
  ];
}

const WHEEL_TITLES: Readonly<Partial<Record<Form, string>>> = {
  wheel: 'driven wheel',
  roller: 'driven roller',
  omni: 'driven omni wheel',
};

/** What is driven goes on after belts and chains are looped; tracks come with their stage. */
export function wheelSteps(build: Build, after: readonly string[]): Step[] {
  const { layout } = build;
  if (layoutKind(layout.kind).pullsByRope) return axleSteps(build, after);
  const driven = layout.axles.filter((axle) => axle.driven);
  const form = driven[0]?.form ?? 'wheel';
  const onAxle = axleSteps(build, after);
  const needs = driven.map((axle: Axle) => standingId(layout, axle));
  const before = [...after, ...onAxle.map(({ id }) => id)];
  // A shell is closed last, once what is in it has turned.
  if (form === 'shell') return onAxle;
  if (form === 'track') {
    // The sprocket's own stage puts the track on; where there is none, it is put on here.
    if (driveOf(build).stages.some(({ kind }) => stageKind(kind).ends?.needs === 'onTracks')) return onAxle;
    return [
      ...onAxle,
      whole({ id: 'wheels', title: 'Put the tracks on', handsOnS: HOUR_S, needs, after: before }),
    ];
  }
  const count = driven.reduce((sum, axle) => sum + wheelsOf(axle), 0);
  return [
    ...onAxle,
    whole({
      id: 'wheels',
      title: `Put the ${plural(WHEEL_TITLES[form] ?? 'driven wheel', count)} on`,
      handsOnS: HOUR_S,
      needs,
      after: before,
    }),
  ];
}

/** The shell of a sphere, closed over what has turned in it. */
export function shellSteps({ layout }: Build): Step[] {
  const driven = layout.axles.filter((axle) => axle.driven);
  return driven[0]?.form !== 'shell'
    ? []
    : [
        whole({
          id: 'shell',
          title: 'Put the inner drive in and close the shell',
          detail: 'Its battery can still be reached, charged and switched off.',
          handsOnS: HOUR_S,
          needs: driven.map((axle) => standingId(layout, axle)),
          after: ['first-power'],
        }),
      ];
}

/** A friction brake, where the build has one. */
export function brakeSteps(build: Build, after: readonly string[]): Step[] {
  if (build.brake.kind !== 'friction') return [];
  const riding = build.people === 'riding';
  return [
    whole({
      id: 'brake',
      title: 'Fit the brake and set it',
      detail: riding
        ? 'The lever also cuts the motors: a switch at its pivot.'
        : 'It lets go fully when released, and holds before its lever meets the bar.',
      handsOnS: 2 * HOUR_S,
      after: [...after],
      caution: 'A brake that people rely on is checked by a second pair of eyes before each outing.',
      holdPoint: 'Held by hand it cannot be pushed with the brake on, and rolls freely with it off.',
    }),
  ];
}
