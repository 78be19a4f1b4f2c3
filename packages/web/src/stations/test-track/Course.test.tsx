import { asSchool, SCHOOLS, studySteps, type DriveStudy } from '@zubric/core/driving';
import { conditionsSchema } from '@zubric/core/protocols';
import { courseOf, newBuild } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { fieldCalled, kept, onBench, text } from '../../testing/on-bench.tsx';
import { workerHere } from '../../testing/worker-here.ts';
import { benchWork } from '../../workers/bench-work.ts';
import { CourseView } from './CourseView.tsx';
import { placesIn } from './Legs.tsx';
import { MakeTrial } from './MakeTrial.tsx';
import { SHIPPED } from './courses.ts';

const puffin = demo('puffin');
/** The work of the bench, with fewer runs. */
const quick = {
  ...benchWork,
  driveStudy: ((build, ask, runs) => {
    const steps = studySteps(build, ask, { ...runs, runs: 10 });
    for (let step = steps.next(); ; step = steps.next()) if (step.done) return Promise.resolve(step.value);
  }) satisfies typeof benchWork.driveStudy,
};
const type = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};

describe('a course on the test track', () => {
  beforeEach(() => vi.stubGlobal('Worker', workerHere(quick)));

  it('is driven as soon as the page is opened, and told in a sentence', async () => {
    onBench(<CourseView />, puffin);
    await waitFor(() => expect(text()).toMatch(/This run ends \d/));
    expect(text()).toMatch(/a motor draws up to \d/);
    expect(text()).toContain('Taken here: its wheels weigh what is usual of their size.');
    expect(screen.getByRole('img', { name: /The course from above/ })).toBeDefined();
  });

  it('of a cart that veers, is found, mended by a press, and then ends straight', async () => {
    onBench(<CourseView />, { ...puffin, name: 'Puffin that veers' });
    type('Right motor faster by', '8 %');
    type('Motors alike within ±', '0 %');
    await waitFor(() => expect(kept().driving?.mismatch).toMatchObject({ rightFaster: 0.08, motors: 0 }));
    fireEvent.click(screen.getByRole('button', { name: 'Drive it 100 times' }));
    await screen.findByRole('heading', { name: 'What came out' }, { timeout: 30_000 });
    expect(text()).toMatch(/to a side in (every run|\d+ of 10 runs), the most by motors that turn unlike/);
    const sent: unknown[] = [];
    vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
      sent.push([path, JSON.parse(String(init?.body ?? 'null'))]);
      return Promise.resolve(
        new Response('{}', { status: 201, headers: { 'content-type': 'application/json' } }),
      );
    });
    fireEvent.click(screen.getByRole('button', { name: 'Make this a trial' }));
    await screen.findByText(/It waits for its runs in/);
    expect(JSON.stringify(sent)).toMatch(
      /straight-run.*Predicted on the Test track: Nineteen.*Two metres straight/,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Keep this in the logbook' }));
    await screen.findByText(/It stands in the/);
    expect(JSON.stringify(sent)).toMatch(/\/log.*driven 10 times.*Match the motors/);
    const mends = within(screen.getByRole('list', { name: 'What would bring it nearer' }));
    const held = mends.getAllByRole('listitem').find((li) => li.textContent?.includes('Match the motors'));
    if (!held) throw new Error('nothing says to match the motors');
    fireEvent.click(within(held).getByRole('button', { name: 'Try it' }));
    await waitFor(() => expect(kept().driving?.mismatch).toMatchObject({ rightFaster: 0, motors: 0 }));
    await waitFor(() => expect(text()).toMatch(/This run ends \d/));
  });

  it('that turns is made a trial of its own course, with what was foretold', async () => {
    const course = SHIPPED.find(({ name }) => name === 'A square to the right');
    if (!course) throw new Error('a square ships');
    const sent: string[] = [];
    vi.stubGlobal('fetch', (_: string, init?: RequestInit) => {
      sent.push(String(init?.body));
      return Promise.resolve(
        new Response('{}', { status: 201, headers: { 'content-type': 'application/json' } }),
      );
    });
    const cloud = { runs: 1, meanSideM: 0.1, sdSideM: 0 };
    onBench(<MakeTrial study={{ cloud } as unknown as DriveStudy} course={course} />, puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Make this a trial' }));
    await screen.findByText(/It waits for its runs in/);
    const set = sent.map((body) => JSON.parse(body) as Record<string, unknown>).at(-1);
    expect(set).toMatchObject({ protocol: 'course-run', name: course.name });
    expect(conditionsSchema('course-run').parse(set?.conditions)).toMatchObject({
      course,
      note: expect.stringMatching(/^Predicted on the Test track: It ends 100\smm to the right\.$/) as string,
    });
  });

  it('is chosen, its legs changed, moved, added and taken out, all kept with the build', async () => {
    onBench(<CourseView />, puffin);
    const square = SHIPPED.findIndex(({ name }) => name === 'A square to the right');
    fireEvent.change(fieldCalled('Course'), { target: { value: String(square) } });
    await waitFor(() => expect(kept().driving?.course?.legs).toHaveLength(8));
    type('Way, back negative, leg 1', '1.5 m');
    await waitFor(() => expect(kept().driving?.course?.legs[0]).toEqual({ kind: 'go', distanceM: 1.5 }));
    fireEvent.click(screen.getByRole('button', { name: 'Leg 1: later' }));
    expect(kept().driving?.course?.legs[1]).toEqual({ kind: 'go', distanceM: 1.5 });
    fireEvent.click(screen.getByRole('button', { name: 'Leg 1: take out' }));
    fireEvent.click(screen.getByRole('button', { name: 'Add a leg' }));
    expect(kept().driving?.course?.legs).toHaveLength(8);
    fireEvent.change(fieldCalled('Leg, leg 8'), { target: { value: 'wait' } });
    expect(kept().driving?.course?.legs[7]).toEqual({ kind: 'wait', seconds: 2 });
    type('Way, back negative, leg 1', '0');
    expect(text()).toContain('A way of up to 1000 m, back where it is negative.');
    expect(kept().driving?.course?.legs[0]).toEqual({ kind: 'go', distanceM: 1.5 });
  });

  it('is driven by another school with what was set besides kept', async () => {
    const own = { ...SCHOOLS['by counts'], slewPerS: 2 };
    onBench(<CourseView />, { ...puffin, driving: { control: own } });
    fireEvent.change(fieldCalled('Driven'), { target: { value: 'held together' } });
    await waitFor(() => expect(kept().driving?.control).toEqual(asSchool(own, 'held together')));
  });

  it('takes places as lines of two numbers, and says which line is none', () => {
    expect(placesIn('1, 0\n2; 0.5\n3 -1')).toEqual({
      points: [
        { aheadM: 1, rightM: 0 },
        { aheadM: 2, rightM: 0.5 },
        { aheadM: 3, rightM: -1 },
      ],
    });
    expect(placesIn('1, 0\nthere').problem).toContain('Line 2');
    expect(placesIn(' ').problem).toContain('at least one');
    onBench(<CourseView />, {
      ...puffin,
      driving: { course: courseOf([{ kind: 'points', points: [{ aheadM: 1, rightM: 0 }] }]) },
    });
    type(/Places: metres ahead/, '1, 0\n2, 1');
    expect(kept().driving?.course?.legs[0]).toMatchObject({ points: [{}, { aheadM: 2, rightM: 1 }] });
    type(/Places: metres ahead/, '1, 0\n2, x');
    expect(text()).toContain('Line 2 is no place');
    expect(kept().driving?.course?.legs[0]).toMatchObject({ points: [{}, { aheadM: 2, rightM: 1 }] });
  });

  it('takes places from a file, says what its columns were taken for, and lays rows beside them', async () => {
    onBench(<CourseView />, {
      ...puffin,
      driving: { course: courseOf([{ kind: 'points', points: [{ aheadM: 1, rightM: 0 }] }]) },
    });
    const give = (content: string) => {
      const file = new File([content], 'way.csv');
      Object.defineProperty(file, 'text', { value: () => Promise.resolve(content) });
      fireEvent.change(screen.getByLabelText('File of places'), { target: { files: [file] } });
    };
    give('x,y\n4,0\n4,-2');
    await waitFor(() =>
      expect(text()).toContain('2 places, taken for metres ahead and to the left (x and y).'),
    );
    const leg = () => kept().driving?.course?.legs[0];
    expect(leg()).toMatchObject({ points: [{ aheadM: 4 }, { aheadM: 4, rightM: 2 }] });
    fireEvent.change(screen.getByLabelText('More rows'), { target: { value: '2' } });
    fireEvent.click(screen.getByRole('button', { name: 'Lay them' }));
    await waitFor(() => expect(leg()).toMatchObject({ points: { length: 8 } }));
    give('a,b\n1,2');
    await waitFor(() => expect(text()).toContain('name them latitude and longitude'));
    expect(leg()).toMatchObject({ points: { length: 8 } });
  });

  it('leads on where something is missing', () => {
    onBench(<CourseView />, newBuild('Gull'));
    expect(text()).toContain('Choose a motor in Power first.');
    cleanup();
    onBench(<CourseView />, demo('teasel'));
    expect(text()).toContain('A balancer is tried where it stands');
  });
});
