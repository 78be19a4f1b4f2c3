import { whyNot } from '@zubric/core/say';
import type { Rejected } from '@zubric/core/search';
import type { Build } from '@zubric/core/vehicle';
import { useState } from 'react';
import { useUnits } from '../common/units.tsx';
import { Choice } from '../fields/Choice.tsx';

const NONE = '';

interface Props {
  readonly build: Build;
  readonly rejected: readonly Rejected[];
}

/** Why a part is in none of the sets: asked of one part after the other. */
export function WhyNot({ build, rejected }: Props) {
  const { system } = useUnits();
  const [asked, setAsked] = useState(NONE);
  const one = rejected.find(({ part }) => part.id === asked);
  const byKind = (kind: string) =>
    rejected
      .filter(({ part }) => part.kind === kind)
      .map(({ part }) => ({ value: part.id, title: part.name }));
  return (
    <section className="sheet grid gap-1 p-3" aria-label="Why not another part">
      <Choice
        label="Why not this one?"
        value={asked}
        options={[
          { value: NONE, title: 'Choose a part that is in none of the sets' },
          ...byKind('motor'),
          ...byKind('driver'),
          ...byKind('battery'),
        ]}
        onChange={setAsked}
      />
      <p role="status">{one ? whyNot(one, build, system) : ''}</p>
    </section>
  );
}
