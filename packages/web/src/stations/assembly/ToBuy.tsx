import { toBuy, toBuyCsv, type ToBuy as Bought } from '@zubric/core/assembly';
import { showNumber } from '@zubric/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api } from '../../common/api.ts';
import { downloadText } from '../../common/download.ts';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ALONE = 'alone';

/** What is left to buy, by where it is bought; with another build's if that is wanted. */
export function ToBuy() {
  const { build, id } = useBuild();
  const [withId, setWithId] = useState(ALONE);
  const list = useQuery({ queryKey: ['builds', 'bench'], queryFn: () => api.builds('bench') });
  const other = useQuery({
    queryKey: ['build', withId, 'to-buy'],
    queryFn: async () => (await api.build(withId)).document,
    enabled: withId !== ALONE,
  });
  const lines = useMemo(
    () => toBuy([build, ...(withId !== ALONE && other.data ? [other.data] : [])]),
    [build, withId, other.data],
  );
  const options = [
    { value: ALONE, title: 'this build alone' },
    ...(list.data ?? [])
      .filter((one) => one.id !== id)
      .map((one) => ({ value: one.id, title: `with ${one.name}` })),
  ];
  const toOrder = lines.filter(({ state }) => state === 'wished-for');
  const priced = toOrder.reduce((sum, { costEach = 0, count }) => sum + costEach * count, 0);
  return (
    <div className="grid gap-3">
      <div>
        <h1>What is left to buy?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          <b className="font-semibold text-ink">
            {toOrder.length === 0 ? 'Nothing is to be ordered' : `${toOrder.length} things to order`}
          </b>
          , {showNumber(priced, 5)} for those that have a price; {lines.length - toOrder.length} ordered
          already. Screws in usual sizes, with some to spare: check them against your parts.
        </p>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <Choice className="w-64" label="List for" value={withId} options={options} onChange={setWithId} />
        <button
          type="button"
          className="push min-h-10"
          onClick={() => downloadText(`to buy for ${build.name}.csv`, toBuyCsv(lines), 'text/csv')}
        >
          Save as CSV
        </button>
        {(list.isError || other.isError) && (
          <p role="alert" className="text-short">
            {(list.error ?? other.error)?.message}
          </p>
        )}
      </div>
      <Lists lines={lines} several={withId !== ALONE} />
    </div>
  );
}

interface ListsProps {
  readonly lines: readonly Bought[];
  /** Of several builds: each line then says for which. */
  readonly several: boolean;
}

/** A list for each place where something is bought. */
function Lists({ lines, several }: ListsProps) {
  const suppliers = [...new Set(lines.map(({ supplier }) => supplier))];
  return (
    <>
      {suppliers.map((supplier) => (
        <section key={supplier ?? ''}>
          <h2>{supplier ?? 'No place to buy it noted'}</h2>
          <ul className="sheet divide-y divide-line">
            {lines
              .filter((line) => line.supplier === supplier)
              .map((line) => (
                <li
                  key={`${line.kind} ${line.name} ${line.state} ${line.costEach ?? ''}`}
                  className="flex flex-wrap justify-between gap-x-3 px-3 py-1.5"
                >
                  <span className="min-w-0 break-words">
                    {line.count} × {line.name}
                    {several && <span className="text-soft">, for {line.builds.join(' and ')}</span>}
                  </span>
                  <span className="text-soft">
                    {line.costEach !== undefined && `${showNumber(line.costEach, 5)} each, `}
                    {line.state === 'ordered' ? 'ordered' : 'to order'}
                  </span>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}
