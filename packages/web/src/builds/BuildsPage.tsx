import { showNumber } from '@zubric/core/quantity';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId, useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, type BuildLine } from '../app/api.ts';
import { Header } from '../app/Header.tsx';
import { stationAddress } from '../app/stations.ts';
import { useSay } from '../app/units.tsx';
import { useTitle } from '../app/use-title.ts';

/** All vehicles, the last touched first. */
export function BuildsPage() {
  useTitle('Builds');
  const builds = useQuery({ queryKey: ['builds'], queryFn: api.builds, staleTime: 0 });
  return (
    <>
      <Header>
        <Link to="/sums" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
          Quick sums
        </Link>
      </Header>
      <main id="main" className="mx-auto max-w-[1120px] px-6 py-6">
        <div className="flex flex-wrap items-end justify-between gap-6">
          <div>
            <h1>Which vehicle is on the bench?</h1>
            <p className="mt-1 text-soft">Open one, or begin with nothing but a name.</p>
          </div>
          <NewBuild />
        </div>
        {builds.isError && (
          <p role="alert" className="mt-5 border border-short bg-short-lo px-4 py-3">
            {builds.error.message}
          </p>
        )}
        {builds.data?.length === 0 && <p className="mt-8">No build yet. Give the first one a name above.</p>}
        {builds.data && builds.data.length > 0 && <BuildTable builds={builds.data} />}
      </main>
    </>
  );
}

function NewBuild() {
  const id = useId();
  const [name, setName] = useState('');
  const [missing, setMissing] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const create = useMutation({
    mutationFn: api.createBuild,
    onSuccess: async (build) => {
      await queries.invalidateQueries({ queryKey: ['builds'] });
      await navigate(stationAddress(build.id, 'brief'));
    },
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() !== '') create.mutate(name.trim());
  };
  return (
    <form className="flex items-end gap-3" onSubmit={submit} noValidate>
      <div className="relative w-72">
        <label htmlFor={id} className="block text-[14px] text-soft">
          Name of a new build
        </label>
        <input
          id={id}
          className="entry"
          value={name}
          maxLength={120}
          aria-invalid={missing}
          aria-describedby={missing || create.isError ? `${id}-problem` : undefined}
          onChange={(event) => {
            setName(event.target.value);
            setMissing(false);
          }}
        />
        {(missing || create.isError) && (
          <p id={`${id}-problem`} role="alert" className="absolute top-full left-0 text-[14px] text-short">
            {missing ? 'Give it a name first.' : create.error?.message}
          </p>
        )}
      </div>
      <button type="submit" className="push push-main" disabled={create.isPending}>
        New build
      </button>
    </form>
  );
}

function BuildTable({ builds }: { readonly builds: readonly BuildLine[] }) {
  const say = useSay();
  return (
    <table className="grid-table sheet mt-8">
      <thead>
        <tr>
          <th scope="col">Build</th>
          <th scope="col" className="n">
            All up
          </th>
          <th scope="col">What governs it</th>
          <th scope="col">Stands</th>
          <th scope="col">Last saved</th>
        </tr>
      </thead>
      <tbody>
        {builds.map((build) => (
          <tr key={build.id}>
            <td className="max-w-96">
              <Link
                to={stationAddress(build.id, 'brief')}
                className="block truncate py-1 text-[18px] font-semibold underline decoration-line decoration-2 underline-offset-4 hover:decoration-mech"
              >
                {build.name}
              </Link>
              <span className="block truncate font-sans text-[14px] text-soft" title={build.purpose}>
                {build.purpose || 'no purpose noted yet'}
              </span>
            </td>
            <td className="n">{say(build.massKg, 'mass')}</td>
            <td>
              {build.worst
                ? `${build.worst.title}${build.worst.duty === null ? '' : ` on “${build.worst.duty}”`}: ${showNumber(build.worst.ratio)} × of ${showNumber(build.worst.rule)} ×`
                : 'nothing yet'}
            </td>
            <td>
              <Standing build={build} />
            </td>
            <td className="whitespace-nowrap text-soft">{new Date(build.updatedAt).toLocaleString()}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Standing({ build }: { readonly build: BuildLine }) {
  if (build.stops > 0)
    return (
      <span className="font-semibold text-short">
        {build.stops === 1 ? '1 thing stops it' : `${build.stops} things stop it`}
      </span>
    );
  return build.tight > 0 ? <span>{build.tight} tight</span> : <span>all ample</span>;
}
