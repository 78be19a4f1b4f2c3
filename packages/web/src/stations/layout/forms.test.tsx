/** Shafts, sheets, frame and the part that is chosen: each field changes what it names. */
import {
  addMember,
  addOwnSheet,
  addShaft,
  addStacked,
  arrangementOf,
  fieldOf,
  type Build,
} from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { enter, fieldCalled, kept, onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { ChosenPart } from './ChosenPart.tsx';
import { Frame } from './Frame.tsx';
import { OwnSheets } from './OwnSheets.tsx';
import { Shafts } from './Shafts.tsx';

const puffin = demo('puffin');
const choose = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};

beforeEach(() => void workOfTheBench());

describe('a shaft', () => {
  const stacked = (): Build => {
    const bare = addShaft(puffin);
    const id = arrangementOf(bare).shafts?.at(-1)?.id ?? '';
    return addStacked(addStacked(bare, id, 'bearing'), id, 'hub');
  };
  const shaft = () => arrangementOf(kept()).shafts?.at(-1);

  it('is called, as long as it is, may float so far, and goes', () => {
    onBench(<Shafts />, stacked());
    const before = arrangementOf(kept()).shafts?.length ?? 0;
    const name = shaft()?.name ?? '';
    enter(`Length, ${name}`, '400 mm');
    enter(`Float, at most, ${name}`, '0.5 mm');
    enter(`Shaft, ${name}`, 'Rear shaft');
    expect(shaft()).toMatchObject({ name: 'Rear shaft', length: { value: 0.4 }, float: { value: 5e-4 } });
    pressButton('Remove Rear shaft');
    expect(arrangementOf(kept()).shafts).toHaveLength(before - 1);
  });

  it('carries what is called, measured, held and placed, and what is emptied again', () => {
    onBench(<Shafts />, stacked());
    const name = shaft()?.name ?? '';
    enter(`Name of Hub, ${name}`, 'Left hub');
    enter(`Width, Left hub, ${name}`, '25 mm');
    choose(`Left hub is held by, ${name}`, 'shaft');
    enter(`Middle, Left hub, ${name}`, '80 mm');
    expect(shaft()?.stack.at(-1)).toMatchObject({
      ...{ name: 'Left hub', hold: 'shaft', width: { value: 0.025 } },
      at: { value: 0.08 },
    });
    enter(`Middle, Left hub, ${name}`, '');
    expect(shaft()?.stack.at(-1)?.at).toBeUndefined();
  });

  it('says how much too wide it is where things do not go side by side', () => {
    onBench(<Shafts />, stacked());
    const name = shaft()?.name ?? '';
    enter(`Middle, Bearing, ${name}`, '10 mm');
    enter(`Middle, Hub, ${name}`, '12 mm');
    const [bearing, hub] = shaft()?.stack ?? [];
    const short = ((bearing?.width.value ?? 0) + (hub?.width.value ?? 0)) / 2 - 0.002;
    expect(text()).toContain(
      `Between Bearing and Hub it is ${Number((1000 * short).toPrecision(3))} mm too wide.`,
    );
  });
});

describe('a sheet of one’s own', () => {
  const sheet = () => arrangementOf(kept()).sheets?.at(-1);

  it('is a plate of a length and a width, called and shown where it is worked at', () => {
    const shown = vi.fn();
    onBench(<OwnSheets onShow={shown} />, puffin);
    pressButton('Add a plate');
    const id = sheet()?.id ?? '';
    expect(shown).toHaveBeenLastCalledWith(`own-${id}`);
    const name = sheet()?.name ?? '';
    enter(`Length, ${name}`, '12 in');
    enter(`Width, ${name}`, '100 mm');
    enter(`Plate, ${name}`, 'Motor plate');
    expect(sheet()?.name).toBe('Motor plate');
    expect(sheet()?.length.value).toBeCloseTo(0.3048, 9);
    expect(sheet()?.width?.value).toBeCloseTo(0.1, 9);
    shown.mockClear();
    fireEvent.focus(fieldCalled('Plate, Motor plate'));
    expect(shown).toHaveBeenCalledWith(`own-${id}`);
  });

  it('is a disc with a bore or none, and circles of holes turned by an angle', () => {
    onBench(<OwnSheets onShow={() => undefined} />, addOwnSheet(puffin, 'disc'));
    const name = sheet()?.name ?? '';
    enter(`Diameter, ${name}`, '120 mm');
    enter(new RegExp(`^Bore.*, ${name}$`), '12 mm');
    expect(sheet()).toMatchObject({ length: { value: 0.12 }, bore: { value: 0.012 } });
    enter(new RegExp(`^Bore.*, ${name}$`), '');
    expect(sheet()?.bore).toBeUndefined();
    const circles = sheet()?.circles.length ?? 0;
    pressButton(`Add a circle of holes to ${name}`);
    enter(`First hole, circle ${circles + 1}, ${name}`, '45°');
    expect(sheet()?.circles.at(-1)?.turn.value).toBeCloseTo(Math.PI / 4, 9);
    pressButton(`Remove circle ${circles + 1} of ${name}`);
    expect(sheet()?.circles).toHaveLength(circles);
  });
});

describe('a member of the frame', () => {
  const framed = addMember({ ...puffin, arrangement: { ...arrangementOf(puffin), frame: [] } });
  const member = () => arrangementOf(kept()).frame?.at(-1);

  it('runs along or across, of another section with the sizes that it has', () => {
    onBench(<Frame />, framed);
    const name = member()?.name ?? '';
    choose(`It runs, ${name}`, 'left');
    choose(`Section, ${name}`, 'round-tube');
    expect(member()).toMatchObject({ runs: 'left', section: 'round-tube', wall: { unit: 'mm' } });
    expect(member()?.width).toBeUndefined();
    choose(`Section, ${name}`, 'bar');
    expect(member()?.wall).toBeUndefined();
    expect(member()?.width?.value).toBe(member()?.height.value);
    enter(`Member, ${name}`, 'Cross beam');
    fireEvent.click(screen.getByRole('checkbox', { name: /^The payload lies spread over it/ }));
    expect(member()).toMatchObject({
      name: 'Cross beam',
      spreads: !framed.arrangement?.frame?.at(-1)?.spreads,
    });
  });

  it('has shafts on it that are called, mounted, loaded and taken off', () => {
    onBench(<Frame />, framed);
    const name = member()?.name ?? '';
    pressButton(`Add a shaft on ${name}`);
    const mount = () => member()?.mounts.at(-1);
    const own = mount()?.name ?? '';
    enter(`Name of ${own}, ${name}`, 'Left gearbox');
    choose(`Left gearbox is mounted, ${name}`, mount()?.kind === 'floating' ? 'rigid' : 'floating');
    expect(mount()?.name).toBe('Left gearbox');
    enter(`${fieldOf('frameMount', 'torque').title}, Left gearbox, ${name}`, '20 N·m');
    expect(mount()?.torque?.value).toBe(20);
    enter(`${fieldOf('frameMount', 'torque').title}, Left gearbox, ${name}`, '');
    expect(mount()?.torque).toBeUndefined();
    expect(text()).toContain('say its torque');
    pressButton('Remove Left gearbox');
    expect(member()?.mounts).toEqual([]);
  });
});

describe('the part that is chosen', () => {
  const [first] = arrangementOf(puffin).parts;
  if (!first) throw new Error('Puffin has parts in their place');
  const part = () => arrangementOf(kept()).parts.find(({ id }) => id === first.id);
  const show = () => onBench(<ChosenPart part={first} report={undefined} />, puffin);

  it('becomes a cylinder that lies across at first, and may stick out', () => {
    show();
    choose('Form', 'cylinder');
    expect(part()).toMatchObject({ form: 'cylinder', axis: first.axis ?? 'left' });
    enter('May stick out of the body by', '30 mm');
    expect(part()?.sticksOut?.value).toBeCloseTo(0.03, 9);
  });

  it('has faces to be reached, each of a kind, at a side, with room before it', () => {
    show();
    pressButton('Add a plug, button or lid');
    expect(part()?.faces.at(-1)).toMatchObject({ kind: 'plug', side: 'front', room: { value: 0.05 } });
    expect(part()?.faces).toHaveLength(first.faces.length + 1);
  });
});
