import { ampacityOf, fuseThatSuits } from '../judge/index.ts';
import { figure, sentence, typed, type Quantity } from '../quantity/index.ts';
import { changeDrive, changePack, driveOf, freeId, type Build, type WireRun } from '../vehicle/index.ts';
import type { Candidate, Generator } from './candidate.ts';

/** Wires that are sold, mm² (IEC 60228). */
const AREAS_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50];
const M2 = 1e-6;

/** The next two thicker wires that carry a current. */
function thicker(run: WireRun, currentA: number): readonly WireRun[] {
  return AREAS_MM2.map((mm2): WireRun => ({ ...run, area: typed(mm2 * M2, 'mm²') }))
    .filter((wire) => wire.area.value > run.area.value && (ampacityOf(wire) ?? 0) >= currentA)
    .slice(0, 2);
}

const withSupply = (build: Build, part: Partial<Build['supply']>): Build => ({
  ...build,
  supply: { ...build.supply, ...part },
});

const wireText = ({ area }: WireRun) =>
  sentence`A wire of ${{ ...figure(area.value, 'area'), typedUnit: 'mm²' }} of copper`;

/** A thicker cable from the battery. */
export const thickerCable: Generator = ({ build, link }) =>
  build.supply.cable
    ? thicker(build.supply.cable, link.needs).map((cable) => ({
        text: wireText(cable),
        cost: 'a stiffer cable, and lugs of its size',
        build: withSupply(build, { cable }),
      }))
    : [];

/** Thicker leads to the motors. */
export const thickerLeads: Generator = ({ build, link }) => {
  const { leads } = driveOf(build);
  return leads
    ? thicker(leads, link.needs).map((wire) => ({
        text: wireText(wire),
        cost: 'stiffer leads, and plugs of their size',
        build: changeDrive(build, { leads: wire }),
      }))
    : [];
};

/** The build with a main fuse of a rating. */
export const withFuse = (build: Build, ratingA: number): Candidate => ({
  text: sentence`A main fuse of ${figure(ratingA, 'current')}`,
  build: withSupply(build, { fuse: typed(ratingA, 'A') }),
});

/** The build with its controller holding the command back. */
export const withCommand = (build: Build, share: number): Candidate => ({
  text: sentence`No more than ${figure(share, 'share')} of full command`,
  cost: 'less pull and less speed; a setting of the controller',
  build: withSupply(build, { commandShare: typed(share, '%') }),
});

/** The build with a switch in the handle that a drive runs only while it is held. */
export const withHandle = (build: Build, driveId: string): Candidate => {
  const { interlocks = [] } = build.supply;
  const id = freeId('interlock', interlocks);
  return {
    text: 'A switch in the handle: it runs only while held',
    cost: 'a switch, and a relay or an input of the driver',
    build: withSupply(build, {
      interlocks: [...interlocks, { id, at: 'handle', acts: 'runs only while worked', driveId }],
    }),
  };
};

/** The fuse that suits what is drawn and the cable. */
export const suitedFuse: Generator = ({ build, report }) => {
  const suits = fuseThatSuits(build, report.duties);
  return suits === undefined ? [] : [withFuse(build, suits)];
};

const SWITCHES = [10, 16, 25, 32, 40, 63, 80, 100, 150, 200, 300];

/** A switch that carries what is drawn. */
export const strongerSwitch: Generator = ({ build, link }) => {
  const carries = SWITCHES.find((amperes) => amperes >= link.needs);
  return carries === undefined
    ? []
    : [
        {
          text: sentence`A main switch for ${figure(carries, 'current')}`,
          build: withSupply(build, { mainSwitch: typed(carries, 'A') }),
        },
      ];
};

const larger = (quantity: Quantity, value: number): Quantity => ({ ...quantity, value, origin: 'typed' });

/** A small supply that gives what is drawn of it, or what is drawn put on one of its own. */
export const strongerRail: Generator = ({ build, link }) =>
  (build.supply.rails ?? [])
    .filter(({ id }) => id === link.railId)
    .map((rail) => {
      const amperes = Math.ceil(link.needs * 1.25);
      return {
        text: sentence`A converter that gives ${figure(amperes, 'current')} for “${rail.name}”`,
        cost: 'a converter to buy and mount',
        build: withSupply(build, {
          rails: (build.supply.rails ?? []).map((one) =>
            one.id === rail.id ? { ...one, gives: larger(one.gives, amperes) } : one,
          ),
        }),
      };
    });

/** A charger of more current. */
export const strongerCharger: Generator = ({ build, link }) => {
  const { charger } = build.supply;
  if (!charger) return [];
  const current = larger(
    charger.current,
    charger.current.value * Math.ceil((10 * link.needs) / link.has) * 0.1,
  );
  return [
    {
      text: sentence`A charger of ${figure(current.value, 'current')}`,
      cost: 'a charger to buy; never more than the battery’s maker allows',
      build: withSupply(build, { charger: { ...charger, current } }),
    },
  ];
};

const PLUGS = [5, 10, 16, 30, 50, 75, 120];

/** A charging plug that carries what the charger gives. */
export const strongerPlug: Generator = ({ build, link }) => {
  const { charger } = build.supply;
  const carries = PLUGS.find((amperes) => amperes >= link.needs);
  return charger && carries !== undefined
    ? [
        {
          text: sentence`A charging plug for ${figure(carries, 'current')}`,
          build: withSupply(build, { charger: { ...charger, plug: typed(carries, 'A') } }),
        },
      ]
    : [];
};

const MOST_ABREAST = 6;

/** As many more of the pack side by side as the margin asks. */
export const morePacks: Generator = ({ build, link }) => {
  const [pack, ...others] = build.supply.packs;
  if (!pack || others.length > 0 || !(link.has > 0)) return [];
  const inParallel = Math.ceil((pack.inParallel * link.needs * link.rule) / link.has);
  if (inParallel <= pack.inParallel || inParallel > MOST_ABREAST) return [];
  return [
    {
      text: `${inParallel} of the pack side by side`,
      cost: 'alike packs of one age, each with a fuse of its own; their weight',
      build: changePack(build, pack.id, { inParallel }),
    },
  ];
};
