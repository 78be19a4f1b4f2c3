import { normalFrom, seeded } from '../contract/index.ts';
import { driveOnce, readyCourse, runTold, SCHOOLS, USUAL_MISMATCH, whyNotDriven } from '../driving/index.ts';
import {
  bankOf,
  courseOf,
  motorOf,
  stallsUnder,
  turnsUnder,
  type Build,
  type Course,
} from '../vehicle/index.ts';
import { readCommand, writeAnswer, type Command } from './lines.ts';

/** Motors of one bag: speeds within this, and within that between their two ways; readings scatter by so much (common practice, no source). */
const BAG = { motors: 0.02, ways: 0.008, reading: 0.003 };
/** Speed under the brake pad over free speed, and of a motor that none is known of, rad/s. */
const LOADED = 0.8;
const SOME_MOTOR_RADS = 200;
/** What a run takes of the voltage, as a share, and where a stand-in's battery stops falling. */
const PER_RUN = 0.0008;
const LEAST_CHARGE = 0.85;
/** A tape reads to the millimetre, an angle to half a degree, one standard deviation. */
const TAPE_M = 0.001;
const ANGLE_DEG = 0.5;
const RPM = Math.PI / 30;

/** A number from a name, for what belongs to it for good. */
const hashed = (text: string): number =>
  [...text].reduce((sum, c) => Math.imul(sum ^ c.charCodeAt(0), 0x01000193), 0x811c9dc5) >>> 0;

/** A refusal, as it is said. */
class Refused extends Error {}

/**
 * A controller that plays a vehicle: the build as it is, with mismatches of its own that nobody is told, and noise. It hears
 * lines and answers lines; the same commands under the same seed are answered the same.
 */
export class SimulatedVehicle {
  readonly #build: Build;
  readonly #seed: number;
  readonly #noise: () => number;
  readonly #done = new Map<number, readonly string[]>();
  #runs = 0;

  constructor(build: Build, seed: number) {
    this.#build = build;
    this.#seed = seed;
    this.#noise = seeded(seed ^ 0x5bd1e995);
  }

  /** What it answers to a line, in order: that it heard, and what it read. A command heard before is answered as before. */
  hear(line: string): readonly string[] {
    const command = readCommand(line);
    if ('why' in command) return [writeAnswer({ says: 'no', id: command.id, why: command.why })];
    const before = this.#done.get(command.id);
    if (before) return before;
    const answers = this.#answers(command);
    this.#done.set(command.id, answers);
    return answers;
  }

  #answers(command: Command): readonly string[] {
    const { id } = command;
    try {
      const values = this.#do(command);
      return [writeAnswer({ says: 'ok', id }), writeAnswer({ says: 'got', id, values })];
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      return [writeAnswer({ says: 'no', id, why: error.message })];
    }
  }

  #do({ verb, values }: Command): Readonly<Record<string, number>> {
    const number = (name: string, most: number): number => {
      const value = values[name];
      if (typeof value !== 'number' || !(value > 0) || value > most)
        throw new Refused(`${name} is to be more than 0 and at most ${most}`);
      return value;
    };
    switch (verb) {
      case 'go': {
        const m = number('m', 1000);
        const told = this.#drive(courseOf([{ kind: 'go', distanceM: m }]), String(values.by ?? 'counts'));
        return {
          side: told.sideM + this.#bell(TAPE_M),
          distance: Math.max(0, m + told.aheadM + this.#bell(TAPE_M)),
        };
      }
      case 'turn': {
        const deg = number('deg', 36_000);
        const left = values.way === 'left';
        const told = this.#drive(
          courseOf([{ kind: 'turn', deg: left ? -deg : deg }]),
          String(values.by ?? 'counts'),
        );
        return { turned: deg + (left ? -1 : 1) * told.headingDeg + this.#bell(ANGLE_DEG) };
      }
      case 'motor':
        return { rpm: this.#motor({ ...values, power: number('power', 1) }) };
      case 'battery':
        return { V: this.#volts() };
      case 'stop':
        return {};
    }
  }

  #bell(sd: number): number {
    return sd * normalFrom(this.#noise);
  }

  #charge(): number {
    return Math.max(LEAST_CHARGE, 1 - PER_RUN * this.#runs);
  }

  #volts(): number {
    const bank = bankOf(this.#build);
    if (!bank) throw new Refused('this vehicle has no battery');
    return bank.fullV * this.#charge();
  }

  #drive(course: Course, by: string) {
    this.#runs += 1;
    const why = whyNotDriven(this.#build);
    if (why) throw new Refused('this vehicle is not driven over a floor');
    const control = this.#build.driving?.control ?? SCHOOLS['by counts'];
    const ready = readyCourse(this.#build, {
      course,
      control: { ...control, ends: by === 'time' ? 'time' : 'counts' },
      mismatch: { ...USUAL_MISMATCH, ...this.#build.driving?.mismatch },
    });
    if (!ready) throw new Refused('this vehicle has no job whose ground it could run on');
    const run = driveOnce(ready, this.#seed + 1000 * this.#runs, { vehicleSeed: this.#seed });
    return runTold(this.#seed, run);
  }

  #motor({ nr = '1', power = 1, way = 'forward', Nm }: Command['values']): number {
    this.#runs += 1;
    const its = seeded(this.#seed ^ hashed(String(nr)));
    const [speed, apart] = [1 + BAG.motors * normalFrom(its), 1 + BAG.ways * normalFrom(its)];
    const there = this.#turns(Number(power), Nm) * speed * (way === 'backward' ? apart : 1);
    return (there * (1 + this.#bell(BAG.reading))) / RPM;
  }

  /** Speed of a motor that is what its sheet says, under the load that it was told, else under a pad of the trial's own. */
  #turns(power: number, loadNm: string | number | undefined): number {
    const motor = motorOf(this.#build);
    if (!motor) return SOME_MOTOR_RADS * LOADED * power * this.#charge();
    const volts = power * this.#charge() * (bankOf(this.#build)?.fullV ?? motor.voltageV);
    const load = typeof loadNm === 'number' ? loadNm : (1 - LOADED) * stallsUnder(motor, volts);
    const speed = turnsUnder(motor, volts, load);
    if (!(speed > 0)) throw new Refused('it does not turn under this load');
    return speed;
  }
}
