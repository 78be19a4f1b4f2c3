import { addPack, bankOf, changePack, packsOf } from '@zubric/core/vehicle';
import { useShelf } from '../../../common/queries.ts';
import { useSay } from '../../../common/units.tsx';
import { Choice } from '../../../fields/Choice.tsx';
import { CountInput } from '../../../fields/CountInput.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

const MOST = 12;

/** What feeds it: packs in series and side by side, alike or not, or another source. */
export function Packs() {
  const { build } = useBuild();
  const change = useChangeSupply();
  const say = useSay();
  const packs = packsOf(build);
  const bank = bankOf(build);
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="packs-title">
      <h3 id="packs-title" className="font-semibold">
        Packs and sources
      </h3>
      {packs.length === 0 && <p className="text-[14px] text-soft">Nothing feeds it yet.</p>}
      {packs.map((pack) => (
        <PackRow key={pack.part.id} {...pack} />
      ))}
      <div className="grid items-end gap-2 sm:grid-cols-2">
        <AddPack />
        {packs.length > 1 && (
          <Choice
            label="Different packs are joined"
            value={build.supply.joined}
            options={[
              { value: 'in series', title: 'in series' },
              { value: 'in parallel', title: 'side by side' },
            ]}
            onChange={(joined) => change({ joined })}
          />
        )}
      </div>
      {bank && (
        <p className="text-[14px] text-soft">
          Together {say(bank.nominalV, 'voltage')}, full {say(bank.fullV, 'voltage')}, empty{' '}
          {say(bank.emptyV, 'voltage')}; {say(bank.resistanceOhm, 'resistance')}; gives{' '}
          {say(bank.continuousA, 'current')} all day
          {bank.capacityAh !== undefined && `, holds ${say(bank.capacityAh * 3600, 'charge')}`}.
        </p>
      )}
    </section>
  );
}

function PackRow({ part, inSeries, inParallel }: ReturnType<typeof packsOf>[number]) {
  const { edit } = useBuild();
  const counts = [
    { title: 'in series', value: inSeries, key: 'inSeries' },
    { title: 'side by side', value: inParallel, key: 'inParallel' },
  ] as const;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="mr-auto font-semibold">{part.name}</span>
      {counts.map(({ title, value, key }) => (
        <span key={key} className="flex items-center gap-1.5 text-[14px]">
          <span aria-hidden="true">{title}</span>
          <CountInput
            label={`${part.name}, ${title}`}
            value={value}
            most={MOST}
            onChange={(n) => edit((b) => changePack(b, part.id, { [key]: n }))}
          />
        </span>
      ))}
      <button
        type="button"
        className="push push-small"
        aria-label={`Remove ${part.name}`}
        onClick={() => edit((b) => changePack(b, part.id, undefined))}
      >
        Remove
      </button>
    </div>
  );
}

/** Another pack or source from the shelf beside those that feed it. */
function AddPack() {
  const { build, edit } = useBuild();
  const batteries = useShelf('battery').data ?? [];
  const sources = useShelf('source').data ?? [];
  const all = [...batteries, ...sources].filter(
    ({ id }) => !build.supply.packs.some((pack) => pack.id === id),
  );
  return (
    <Choice
      label="Add a pack or source"
      value=""
      options={[
        { value: '', title: 'choose one' },
        ...all.map(({ id, name }) => ({ value: id, title: name })),
      ]}
      onChange={(id) => {
        const part = all.find((one) => one.id === id);
        if (part?.kind === 'battery' || part?.kind === 'source') edit((b) => addPack(b, part));
      }}
    />
  );
}
