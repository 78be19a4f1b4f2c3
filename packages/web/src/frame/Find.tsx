import { questionsByTopic, searchedText } from '@zubric/core/calculators';
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { linkDefinition } from '@zubric/core/judge';
import { findingsInWords, TERMS } from '@zubric/core/say';
import { useUnits } from '../common/units.tsx';
import { useOpenBuild } from '../session/BuildSession.tsx';
import { matching, type Destination } from './find-places.ts';
import { Panel } from '../common/Panel.tsx';
import { stationOf } from '../common/station-of.ts';
import { stationAddress, STATIONS } from '../common/stations.ts';

const SHOWN = 12;

/** Pages of a build beside its stations. */
const PAGES_OF_A_BUILD = [
  { path: 'search', title: 'What would do this?', more: 'the best set of parts' },
  { path: 'chances', title: 'How sure is it?', more: 'spreads, what to measure first' },
  { path: 'what-if', title: 'What if a number were different?', more: 'any number against any margin' },
  { path: 'out', title: 'Take it out', more: 'report, simulator, constants of a program' },
  { path: 'trials?set=cause', title: 'Something is wrong', more: 'it veers, jerks, cuts out, tips' },
  { path: 'trials?set=new', title: 'A new trial', more: 'every kind, and what this build needs' },
] as const;

/** The build that is open, by the address. */
const openBuild = (pathname: string): string | undefined => /^\/builds\/([^/]+)/.exec(pathname)?.[1];

/** What is found of the open build, each at the station that can mend it. */
function useFindings(): readonly Destination[] {
  const open = useOpenBuild();
  const { system } = useUnits();
  return useMemo(() => {
    if (!open) return [];
    const { id, build, report } = open;
    return findingsInWords({ build, report }, system).map((finding): Destination => ({
      kind: 'finding',
      title: finding.text,
      more: '',
      to: stationAddress(id, finding.link === null ? 'brief' : stationOf(linkDefinition(finding.link).block)),
    }));
  }, [open, system]);
}

/** Every place one can go: stations of the open build first, then builds, parts and sums. */
function usePlaces(): readonly Destination[] {
  const here = openBuild(useLocation().pathname);
  const builds = useQuery({ queryKey: ['builds', 'bench'], queryFn: () => api.builds('bench') });
  const parts = useQuery({ queryKey: ['parts'], queryFn: api.parts });
  const findings = useFindings();
  return useMemo(() => {
    // Parts are judged in a build: in the open one, else in the one last worked on.
    const bench = here ?? builds.data?.[0]?.id;
    const stations = bench === undefined ? [] : STATIONS;
    return [
      ...stations.map((station): Destination => ({
        kind: 'station',
        title: station.title,
        more: builds.data?.find((build) => build.id === bench)?.name ?? '',
        to: stationAddress(bench ?? '', station.path),
      })),
      ...(builds.data ?? []).map((build): Destination => ({
        kind: 'build',
        title: build.name,
        more: 'problem' in build ? '' : build.purpose,
        to: stationAddress(build.id, 'brief'),
      })),
      ...findings,
      ...(here === undefined ? [] : PAGES_OF_A_BUILD).map(({ title, more, path }): Destination => ({
        kind: 'page',
        title,
        more,
        to: `/builds/${here}/${path}`,
      })),
      { kind: 'page', title: 'All builds', more: '', to: '/builds' },
      ...STATIONS.map(({ path, title, guidance }): Destination => ({
        kind: 'page',
        title: `Guide to ${title}`,
        more: guidance,
        also: 'help documentation how formulas sources examples',
        to: `/guide/${path}`,
      })),
      { kind: 'page', title: 'Parts shelf', more: 'own parts too', to: '/shelf' },
      { kind: 'page', title: 'Class and club', more: 'one trial over several builds', to: '/groups' },
      ...(bench === undefined ? [] : (parts.data ?? [])).map((part): Destination => ({
        kind: 'part',
        title: part.name,
        more: part.kind,
        to: `${stationAddress(bench ?? '', 'power')}?kind=${part.kind}&part=${part.id}`,
      })),
      ...questionsByTopic().flatMap((group) =>
        group.questions.map((question): Destination => ({
          kind: 'sum',
          title: question.asks,
          more: group.title,
          also: searchedText(question),
          to: `/sums/${question.name}`,
        })),
      ),
      ...TERMS.map(({ id, term, sentence }): Destination => ({
        kind: 'word',
        title: term,
        more: sentence,
        to: `/words#${id}`,
      })),
    ];
  }, [here, builds.data, parts.data, findings]);
}

/** One box that goes to every place. */
export function Find({ onClose }: { readonly onClose: () => void }) {
  const places = usePlaces();
  const [wanted, setWanted] = useState('');
  const navigate = useNavigate();
  const found = matching(places, wanted).slice(0, SHOWN);
  return (
    <Panel title="Where to?" onClose={onClose}>
      <Combobox
        immediate
        onChange={(place: Destination | null) => {
          if (!place) return;
          onClose();
          void navigate(place.to);
        }}
      >
        <ComboboxInput
          className="entry"
          aria-label="Words of a build, a station, a finding, a part, a sum or a term"
          autoFocus
          autoComplete="off"
          placeholder="torque, slip, 24 V motor …"
          onChange={(event) => setWanted(event.target.value)}
        />
        <ComboboxOptions static className="mt-2 outline-none">
          {found.map((place) => (
            <ComboboxOption
              key={`${place.kind} ${place.to} ${place.title}`}
              value={place}
              className="grid cursor-pointer grid-cols-[4.5rem_minmax(0,1fr)] gap-2 px-2 py-1.5 data-focus:bg-mech-lo"
            >
              <span className="text-[14px] text-soft">{place.kind}</span>
              <span className="truncate">
                {place.title} <span className="text-[14px] text-soft">{place.more}</span>
              </span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
        {found.length === 0 && (
          <p className="mt-2 px-2">
            Nothing has these words. Try fewer, or the name of a part or a question.
          </p>
        )}
      </Combobox>
    </Panel>
  );
}
