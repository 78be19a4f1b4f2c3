import { outingCourse, type CourseAsked, type OutingCourse } from '@zubric/core/capability';
import { evaluate } from '@zubric/core/judge';
import { typed } from '@zubric/core/quantity';
import { buildSchema, type Build } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { describe, expect, it, vi } from 'vitest';
import type { Ask, Beside } from '../../../workers/use-beside.ts';
import { onBench } from '../../../testing/on-bench.tsx';
import { DayView } from './DayView.tsx';

/** The work beside the screen, done at once. */
vi.mock('../../../workers/use-beside.ts', () => ({
  useBeside: (ask: Ask<OutingCourse | undefined>): Beside<OutingCourse | undefined> => {
    const asked: { answer?: OutingCourse | undefined } = {};
    void ask({
      outingCourse: (build: Build, { outings, breakS }: CourseAsked) => {
        asked.answer = outingCourse(build, evaluate(build).duties, { outings, breakS });
        return Promise.resolve(asked.answer);
      },
    } as never);
    return { ...asked, isOfNow: true };
  },
}));

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
const said = (element: Element | null): string => (element?.textContent ?? '').replaceAll('\u00a0', ' ');
const day = (): string => said(screen.getByRole('region', { name: 'A day out' }));

describe('a day out', () => {
  it('says when it is home, what is left and how hot the motors got, as the course has it', () => {
    onBench(<DayView />, puffin);
    const course = outingCourse(puffin, evaluate(puffin).duties, { outings: 1, breakS: 0 });
    const left = Math.round(100 * (course?.moments.at(-1)?.leftShare ?? NaN));
    expect(day()).toContain(`home with ${left} % of its usable charge left`);
    expect(day()).toMatch(/hottest winding reaches [\d.]+ °C of 120 °C/);
    expect(screen.getByRole('img', { name: /^Speed, current, voltage/ })).toBeTruthy();
  });

  it('shows where the energy goes, adding up to what the battery gives', () => {
    onBench(<DayView />, puffin);
    const table = within(screen.getByRole('region', { name: /^Where .* of the battery go$/ }));
    const rows = table.getAllByRole('row').map(said);
    expect(rows[0]).toMatch(/Wh/);
    const all = rows.reduce((sum, row) => sum + Number(/([\d.]+) Wh/.exec(row)?.[1] ?? NaN), 0);
    const given = Number(/Where ([\d.]+) Wh/.exec(day())?.[1]);
    // What is under a five-hundredth has no line.
    expect(Math.abs(all - given)).toBeLessThan(0.02 * given);
  });

  it('goes out again after a break, as often as is asked, until the battery is empty', () => {
    onBench(<DayView />, puffin);
    expect(screen.queryByLabelText('Break between')).toBeNull();
    fireEvent.change(screen.getByLabelText('Outings'), { target: { value: '6' } });
    expect(screen.getByLabelText('Break between')).toBeTruthy();
    expect(day()).toContain('The battery is empty after');
    expect(day()).toContain('grey: a break');
    cleanup();
    onBench(<DayView />, {
      ...puffin,
      supply: { ...puffin.supply, charger: { current: typed(20, 'A'), hours: typed(4 * 3600, 'h') } },
    });
    fireEvent.change(screen.getByLabelText('Outings'), { target: { value: '3' } });
    expect(day()).toContain('it is home with');
  });

  it('of a build without a motor says what is missing', () => {
    onBench(<DayView />, { ...puffin, drives: puffin.drives.map((drive) => ({ ...drive, motorId: null })) });
    expect(day()).toContain('Choose a motor');
  });

  it('says where it no longer gets on', () => {
    const steep = puffin.duties.map((duty) => ({ ...duty, drawbar: typed(9000, 'N') }));
    onBench(<DayView />, { ...puffin, duties: steep });
    expect(day()).toContain(`It does not get on in “${puffin.duties[0]?.name ?? ''}”`);
  });
});
