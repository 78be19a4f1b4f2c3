import {
  fieldOf,
  PUSHED,
  pushedOf,
  type BuildPart,
  type Duty,
  type JobFigure,
  type KeyOfPart,
  type Push,
} from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';
import { FieldsOf } from '../fields/FieldsOf.tsx';
import { Choice } from '../fields/Choice.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';

interface Props {
  readonly duty: Duty;
  readonly title: string;
  readonly asks: readonly JobFigure[];
  readonly payload: Quantity;
  readonly onPayload: (payload: Quantity) => void;
  readonly onChange: (part: Partial<Duty>) => void;
  readonly onUnread: (name: string, unread: boolean) => void;
}

type Heap = Extract<Push, { readonly kind: 'heap' }>;

/** The few figures that matter most of a job, beside its name. */
export function JobFields({ duty, title, asks, payload, onPayload, onChange, onUnread }: Props) {
  const figure = <P extends BuildPart>(
    part: P,
    key: KeyOfPart<P>,
    label: string,
    value: Quantity | undefined,
    onValue: (quantity: Quantity) => void,
  ) => {
    const { dimension = 'number', ...range } = fieldOf(part, key);
    return (
      <FormQuantity
        key={key}
        name={`${duty.id}.${key}`}
        title={label}
        dimension={dimension}
        range={range}
        value={value}
        onChange={(quantity) => quantity && onValue(quantity)}
        onUnread={onUnread}
      />
    );
  };
  const push = duty.push?.kind === 'heap' ? duty.push : undefined;
  const blade = (part: Partial<Heap>): void => {
    if (push) onChange({ push: { ...push, ...part } });
  };
  const fields: Readonly<Record<JobFigure, () => React.ReactNode>> = {
    payload: () => figure('mass', 'mass', 'Load', payload, onPayload),
    grade: () => figure('duty', 'grade', 'How steep', duty.grade, (grade) => onChange({ grade })),
    speed: () => figure('duty', 'speed', 'How fast', duty.speed, (speed) => onChange({ speed })),
    drawbar: () =>
      figure('duty', 'drawbar', 'Pull, as force or weight', duty.drawbar, (drawbar) => onChange({ drawbar })),
    step: () => figure('duty', 'step', 'How high', duty.step, (step) => onChange({ step })),
    lean: () => figure('duty', 'lean', 'Pushed over by', duty.lean, (lean) => onChange({ lean })),
    pushed: () => (
      <Choice
        key="pushed"
        label="What it pushes"
        value={push?.what ?? 'wet-snow'}
        options={PUSHED.map((value) => ({ value, title: pushedOf(value).title }))}
        onChange={(what) => blade({ what })}
      />
    ),
    bladeWidth: () => figure('pushHeap', 'width', 'Blade, width', push?.width, (width) => blade({ width })),
    bladeHeap: () => figure('pushHeap', 'heap', 'Heap against it', push?.heap, (heap) => blade({ heap })),
  };
  return (
    <FieldsOf name={title}>
      <div
        role="group"
        aria-label={title}
        className="grid grid-cols-2 items-end gap-x-2 gap-y-1 sm:grid-cols-[7.5rem_minmax(0,11.5rem)_repeat(3,minmax(0,9rem))]"
      >
        <span className="font-medium max-sm:col-span-2 sm:pb-1.5">{title}</span>
        {asks.map((ask) => fields[ask]())}
      </div>
    </FieldsOf>
  );
}
