import type { BuildLine, BuildPlace } from '@zubric/core/answers';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';
import { download } from '../common/download.ts';
import { fileNameOf } from './file-name.ts';
import { SHELVES, copyName } from './shelves.ts';

const writing = () => import('./take-out.ts');

/** What was just done, and how to take it back. */
export interface Notice {
  readonly text: string;
  readonly undo?: () => void;
}

/** The builds of a place, and what can be done with them. */
export function useBuildList(place: BuildPlace) {
  const [notice, setNotice] = useState<Notice>();
  const queries = useQueryClient();
  const builds = useQuery({ queryKey: ['builds', place], queryFn: () => api.builds(place), staleTime: 0 });
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ['builds'] });
  const put = useMutation({
    mutationFn: ({ build, to }: { readonly build: BuildLine; readonly to: BuildPlace }) =>
      api.putBuild(build.id, to),
    onSuccess: async (_, { build, to }) => {
      setNotice({
        text: `“${build.name}” ${SHELVES[to].done}.`,
        undo: () => {
          setNotice(undefined);
          void api.putBuild(build.id, place).then(refresh);
        },
      });
      await refresh();
    },
  });
  const copy = useMutation({
    mutationFn: (build: BuildLine) => api.copyBuild(build.id, copyName(build.name, builds.data ?? [])),
    onSuccess: async (made) => {
      setNotice({ text: `“${made.document.name}” lies on the bench.` });
      await refresh();
    },
  });
  const copies = useMutation({
    mutationFn: async ({
      build,
      names,
    }: {
      readonly build: BuildLine;
      readonly names: readonly string[];
    }) => {
      for (const name of names) await api.copyBuild(build.id, name);
      return names;
    },
    onSuccess: (names) => setNotice({ text: `${names.length} copies lie on the bench.` }),
    // Those that were made before one failed are there.
    onSettled: refresh,
  });
  const takeOut = useTakeOut((name) => setNotice({ text: `Taken out as ${name}.` }));
  return {
    builds,
    refresh,
    notice,
    setNotice,
    put,
    copy,
    copies,
    takeOut,
    problem: builds.error ?? put.error ?? copy.error ?? takeOut.problem,
  };
}

/** Builds as files: several as documents, or one with all that belongs to it, or as it is kept. */
function useTakeOut(onDone: (name: string) => void) {
  const documents = useMutation({
    mutationFn: async (ids: readonly string[]) => {
      const withTrials = async (id: string) => {
        const [{ document }, trialSets] = await Promise.all([api.build(id), api.trialSets(id)]);
        return { build: document, trialSets };
      };
      const [{ takenOut }, ...stored] = await Promise.all([writing(), ...ids.map(withTrials)]);
      return takenOut(stored);
    },
    onSuccess: ({ name, content }) => {
      download(name, content);
      onDone(name);
    },
  });
  const other = useMutation({
    mutationFn: async ({ build, whole }: { readonly build: BuildLine; readonly whole: boolean }) => {
      const content = whole ? await api.wholeBuild(build.id) : await api.buildFile(build.id);
      return { name: `${fileNameOf(build.name)}.${whole ? 'zubric-whole' : 'zubric'}.json`, content };
    },
    onSuccess: ({ name, content }) => {
      download(name, new Blob([`${JSON.stringify(content, null, 2)}\n`], { type: 'application/json' }));
      onDone(name);
    },
  });
  return {
    documents: (ids: readonly string[]): void => documents.mutate(ids),
    whole: (build: BuildLine): void => other.mutate({ build, whole: true }),
    asKept: (build: BuildLine): void => other.mutate({ build, whole: false }),
    isPending: documents.isPending,
    problem: documents.error ?? other.error,
  };
}
