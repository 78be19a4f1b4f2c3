import {
  layoutKind,
  PUSHED,
  pushedOf,
  scaleOf,
  usual,
  usualPush,
  type Duty,
  type Push,
} from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { Choice } from '../../fields/Choice.tsx';
import { QuantityFields } from '../../fields/QuantityFields.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly duty: Duty;
  readonly onChange: (part: { readonly push?: Push | undefined }) => void;
}

const PLACE = ['height', 'ahead', 'load'] as const;
const KINDS = [
  { value: 'none', title: 'nothing' },
  { value: 'heap', title: 'a heap of' },
  { value: 'force', title: 'with a force' },
] as const;

/** A blade: what it pushes or with what force, where, and what presses on it. */
export function PushFields({ duty: { push }, onChange }: Props) {
  const { build } = useBuild();
  const { rollsInside, leans } = layoutKind(build.layout.kind);
  if ((rollsInside || leans) && !push) return null;
  const choose = (kind: (typeof KINDS)[number]['value']): void => {
    const begun = push ?? usualPush(build);
    const { height, ahead, load } = begun;
    const heap = usualPush(build);
    onChange({
      push:
        kind === 'none'
          ? undefined
          : kind === 'heap'
            ? { ...heap, height, ahead, load }
            : { kind, force: typed(usual.pullN(scaleOf(build)), 'N', 'assumed'), height, ahead, load },
    });
  };
  return (
    <>
      <Choice label="Its blade pushes" value={push?.kind ?? 'none'} options={KINDS} onChange={choose} />
      {push?.kind === 'heap' && (
        <>
          <Choice
            label="What it pushes"
            value={push.what}
            options={PUSHED.map((value) => ({ value, title: pushedOf(value).title }))}
            onChange={(what) => onChange({ push: { ...push, what } })}
          />
          <QuantityFields
            part="pushHeap"
            keys={['width', 'heap', ...PLACE]}
            of={push}
            onChange={(part) => onChange({ push: { ...push, ...part } as Push })}
          />
        </>
      )}
      {push?.kind === 'force' && (
        <QuantityFields
          part="pushForce"
          keys={['force', ...PLACE]}
          of={push}
          onChange={(part) => onChange({ push: { ...push, ...part } as Push })}
        />
      )}
    </>
  );
}
