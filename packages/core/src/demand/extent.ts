import { areaTime, routeTime } from '../ground/index.ts';
import { taskOf, type Duty } from '../vehicle/index.ts';

/** A route or area at no speed never ends; it counts for nothing until a speed is given. */
const NOTHING = { durationS: 0, distanceM: 0 };

/**
 * How long a duty takes in one outing, and how far it goes in it.
 *
 * @example extentOf(duty).durationS // 360
 */
export function extentOf(duty: Duty): { readonly durationS: number; readonly distanceM: number } {
  const { extent, speed, duration } = duty;
  const speedMps = !taskOf(duty).moves ? 0 : speed.value;
  if (extent.kind === 'time') return { durationS: duration.value, distanceM: duration.value * speedMps };
  if (speedMps <= 0) return NOTHING;
  return extent.kind === 'route'
    ? routeTime.run({ lengthM: extent.length.value, times: extent.times, speedMps })
    : areaTime.run({
        areaM2: extent.area.value,
        widthM: extent.width.value,
        overlap: extent.overlap.value,
        speedMps,
      });
}
