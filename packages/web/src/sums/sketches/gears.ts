import { degreesToRadians } from '@zubric/core/quantity';
import { gear } from '../../drawings/gear.ts';
import { at, circle, line, measure, note } from '../../drawings/shapes.ts';
import type { Drawn, SumSketch } from './sketch.ts';

export function gearPairSketch({ given, found, say }: Drawn<'gear-pair'>): SumSketch {
  const [moduleMm, driver, driven] = [given.moduleMm, given.teethDriver, given.teethDriven];
  const centre = found.centreDistanceMm;
  const far = at(centre, 0);
  const low = -Math.max(found.outsideDiameterDriverMm, found.outsideDiameterDrivenMm) / 2;
  return {
    shapes: [
      // A tooth of the driver lies in a gap of the driven gear on the line between the shafts.
      gear(moduleMm, driver, at(0, 0), 0),
      gear(moduleMm, driven, far, Math.PI + Math.PI / driven),
      circle(at(0, 0), found.pitchDiameterDriverMm / 2, 'soft', { dashed: true }),
      circle(far, found.pitchDiameterDrivenMm / 2, 'soft', { dashed: true }),
      measure(at(0, 0), far, say('centreDistanceMm')),
      note(at(0, low), `${driver} teeth, over all ${say('outsideDiameterDriverMm')}`, 'soft', -1),
      note(at(centre, low), `${driven} teeth, over all ${say('outsideDiameterDrivenMm')}`, 'soft', -2.2),
    ],
    label: 'Both gears in mesh, to scale, their pitch circles dashed',
    unit: 'mm',
  };
}

/** Drawn with a module of 1: only tooth counts are given. */
export function planetarySketch({ given, found }: Drawn<'planetary'>): SumSketch | undefined {
  const [sun, ring, planets] = [given.sunTeeth, given.ringTeeth, given.planets];
  const planet = found.planetTeeth;
  if (planet < 4 || planets > 12 || sun < 4 || ring > 400) return undefined;
  const orbit = (sun + planet) / 2;
  const whole = Number.isInteger(planet);
  return {
    shapes: [
      circle(at(0, 0), ring / 2 + 3, 'mech', { filled: true }),
      circle(at(0, 0), ring / 2 + 1, 'ink', { filled: true }),
      circle(at(0, 0), ring / 2, 'soft', { dashed: true }),
      gear(1, sun, at(0, 0), 0),
      ...Array.from({ length: planets }, (_, n) => {
        const angle = (2 * Math.PI * n) / planets;
        const middle = at(orbit * Math.cos(angle), orbit * Math.sin(angle));
        if (!whole) return circle(middle, planet / 2, 'short', { dashed: true });
        // Its tooth meets the gap of the sun that the sun's own teeth leave at that angle.
        return gear(1, planet, middle, angle * (1 + sun / planet) + Math.PI + Math.PI / planet);
      }),
      note(at(0, -ring / 2 - 3), `sun ${sun}, planets ${planets} × ${planet}, ring ${ring}`, 'ink', -1.1),
    ],
    label: 'Sun, planets and ring in proportion',
    unit: 'mm',
    bare: true,
  };
}

/** A worm from the side over its wheel; in proportion where no module is given. */
export function wormSketch({ given, found, say }: Drawn<'worm-pair'>): SumSketch {
  const [starts, teeth] = [given.starts, given.wheelTeeth];
  const lead = degreesToRadians(found.leadAngleDeg);
  const bare = given.axialModuleMm === undefined;
  const moduleMm = given.axialModuleMm ?? 1;
  const worm = (starts * moduleMm) / Math.tan(lead);
  const wheel = moduleMm * teeth;
  const centre = (worm + wheel) / 2;
  const length = Math.min(8 * moduleMm * Math.PI, 1.2 * wheel);
  const pitch = Math.PI * moduleMm;
  const lean = (worm / 2 + moduleMm) * Math.tan(lead);
  const threads = Array.from({ length: Math.floor(length / pitch) + 1 }, (_, n) => {
    const x = -length / 2 + n * pitch;
    return line(
      [at(x - lean, centre + worm / 2 + moduleMm), at(x + lean, centre - worm / 2 - moduleMm)],
      'mech',
    );
  });
  return {
    shapes: [
      gear(moduleMm, teeth, at(0, 0), Math.PI / 2),
      circle(at(0, 0), wheel / 2, 'soft', { dashed: true }),
      line(
        [
          at(-length / 2, centre - worm / 2 - moduleMm),
          at(length / 2, centre - worm / 2 - moduleMm),
          at(length / 2, centre + worm / 2 + moduleMm),
          at(-length / 2, centre + worm / 2 + moduleMm),
        ],
        'mech',
        { closed: true },
      ),
      ...threads,
      ...(bare ? [] : [measure(at(0, 0), at(0, centre), `${Math.round(centre * 100) / 100} mm`)]),
      note(
        at(0, centre + worm / 2 + moduleMm),
        `lead ${say('leadAngleDeg')}, ${starts} ${starts === 1 ? 'start' : 'starts'}`,
        'ink',
        1.1,
      ),
      note(at(0, -wheel / 2 - moduleMm), `wheel of ${teeth} teeth`, 'soft', -1.1),
    ],
    label: 'The worm over its wheel',
    unit: 'mm',
    bare,
  };
}
