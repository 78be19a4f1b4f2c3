import {
  fillsFromBuild,
  fromBuild,
  intoBuild,
  placesFor,
  type AnyCalculator,
} from '@zubric/core/calculators';
import type { Build } from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import type { PutInto } from './put-into.ts';

interface Props {
  readonly calculator: AnyCalculator;
  readonly found: Readonly<Record<string, unknown>> | undefined;
  readonly onFill: (values: Readonly<Record<string, unknown>>) => void;
}

/** Fills a sum from a build and puts its result back where it belongs. */
export function BuildLink({ calculator, found, onFill }: Props) {
  const [address, setAddress] = useSearchParams();
  const builds = useQuery({ queryKey: ['builds', 'bench'], queryFn: () => api.builds('bench') });
  const buildId = address.get('build') ?? builds.data?.[0]?.id ?? '';
  const stored = useQuery({
    queryKey: ['build', buildId, 'for-sums'],
    queryFn: () => api.build(buildId),
    enabled: buildId !== '',
    staleTime: 0,
  });
  const fills = fillsFromBuild(calculator.name);
  const places = placesFor(calculator.name);
  if ((!fills && places.length === 0) || !builds.data || builds.data.length === 0) return null;
  const build = stored.data?.document;
  const duty = build?.duties.find(({ id }) => id === address.get('duty')) ?? build?.duties[0];
  const choose = (key: 'build' | 'duty', value: string): void =>
    setAddress(
      (before) => {
        const next = new URLSearchParams(before);
        next.set(key, value);
        if (key === 'build') next.delete('duty');
        return next;
      },
      { replace: true },
    );
  return (
    <section aria-labelledby="build-link-title" className="sheet grid gap-2 p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 id="build-link-title">With a build</h2>
        {build && (
          <Link className="push-plain" to={stationAddress(buildId, places[0]?.station ?? 'brief')}>
            Back to {build.name}
          </Link>
        )}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Choose
          label="Build"
          value={buildId}
          options={builds.data.map(({ id, name }) => ({ id, name }))}
          onChoose={(id) => choose('build', id)}
        />
        <Choose
          label="Job"
          value={duty?.id ?? ''}
          options={build?.duties ?? []}
          onChoose={(id) => choose('duty', id)}
        />
      </div>
      {stored.isError && (
        <p role="alert" className="text-[14px] text-short">
          This build cannot be read: {stored.error.message}
        </p>
      )}
      {build && duty && (
        <>
          {fills && <Fill name={calculator.name} build={build} dutyId={duty.id} onFill={onFill} />}
          {places.map((place) => (
            <Put
              key={place.key}
              name={calculator.name}
              place={place}
              found={found}
              build={build}
              buildId={buildId}
              dutyId={duty.id}
            />
          ))}
        </>
      )}
    </section>
  );
}

interface ChooseProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  readonly onChoose: (id: string) => void;
}

function Choose({ label, value, options, onChoose }: ChooseProps) {
  return (
    <label className="block text-[14px] text-soft">
      {label}
      <select className="entry text-ink" value={value} onChange={(event) => onChoose(event.target.value)}>
        {options.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

interface FillProps {
  readonly name: string;
  readonly build: Build;
  readonly dutyId: string;
  readonly onFill: Props['onFill'];
}

function Fill({ name, build, dutyId, onFill }: FillProps) {
  const [nothing, setNothing] = useState(false);
  return (
    <div>
      <button
        type="button"
        className="push"
        onClick={() => {
          const values = fromBuild(name, build, dutyId);
          setNothing(values === undefined);
          if (values) onFill(values);
        }}
      >
        Fill in from {build.name}
      </button>
      {nothing && (
        <p role="alert" className="mt-1 text-[14px] text-short">
          {build.name} has no such numbers yet for this job: choose its motor and battery at Power, or another
          job.
        </p>
      )}
    </div>
  );
}

interface PutProps {
  readonly name: string;
  readonly place: ReturnType<typeof placesFor>[number];
  readonly found: Props['found'];
  readonly build: Build;
  readonly buildId: string;
  readonly dutyId: string;
}

/** Opens the build where the result goes; it is put there as an edit like any other, and can be undone. */
function Put({ name, place, found, build, buildId, dutyId }: PutProps) {
  const navigate = useNavigate();
  const changed = found && intoBuild(name, place.key, found, build, dutyId);
  const refused = typeof changed === 'string' ? changed : undefined;
  const carried: PutInto | undefined = found && { calculator: name, key: place.key, found, dutyId };
  return (
    <div>
      <button
        type="button"
        className="push"
        disabled={!found || refused !== undefined}
        onClick={() => void navigate(stationAddress(buildId, place.station), { state: { putInto: carried } })}
      >
        Put into {build.name}: {place.title}
      </button>
      {refused !== undefined && (
        <p className="mt-1 text-[14px] text-soft">
          {refused}{' '}
          <Link className="push-plain" to={stationAddress(buildId, place.station)}>
            Open {build.name}
          </Link>
        </p>
      )}
    </div>
  );
}
