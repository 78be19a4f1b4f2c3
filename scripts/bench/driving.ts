import { readFileSync } from 'node:fs';
import { driveOnce, readyCourse, SCHOOLS, USUAL_MISMATCH } from '@zubric/core/driving';
import { courseSchema, readBuild } from '@zubric/core/vehicle';

const parsed = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8')) as unknown;

/** Runs of the demo cart over ten metres at 0.7 m/s. */
function cartOverTenMetres() {
  const read = readBuild(parsed('data/builds/pip.zubric.json'));
  const course = courseSchema.parse(parsed('data/courses/straight-10-m.json'));
  const ready =
    read.ok && readyCourse(read.build, { course, control: SCHOOLS['by counts'], mismatch: USUAL_MISMATCH });
  if (!ready) throw new Error('the demo cart is not driven');
  return ready;
}

/** Seconds of driving in a second, and seconds for a hundred runs; of the second go, when all is warm. */
export function drivingSpeed(): { readonly timesReal: number; readonly hundredS: number } {
  const ready = cartOverTenMetres();
  let answer = { timesReal: 0, hundredS: Infinity };
  for (let go = 0; go < 2; go += 1) {
    const began = performance.now();
    let simulatedS = 0;
    for (let seed = 1; seed <= 100; seed += 1) simulatedS += driveOnce(ready, seed).timeS;
    const hundredS = (performance.now() - began) / 1000;
    answer = { timesReal: simulatedS / hundredS, hundredS };
  }
  return answer;
}
