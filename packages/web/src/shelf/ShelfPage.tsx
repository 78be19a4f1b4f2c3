import { CHOSEN_KINDS, PART_KINDS, type Part, type PartKind } from '@zubric/core/vehicle';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';
import { useTitle } from '../common/use-title.ts';
import { Header } from '../frame/Header.tsx';
import { ImportParts } from './ImportParts.tsx';
import { OwnPart } from './OwnPart.tsx';
import { PartForm } from './PartForm.tsx';
import { PartPhoto } from './PartPhoto.tsx';
import { ShelfTable } from './ShelfTable.tsx';
import { UsedIn } from './UsedIn.tsx';
import { draftOf } from './part-draft.ts';

/** What is open over the shelf: a new part of a kind, or one that is changed. */
type Open = { readonly kind: PartKind } | { readonly part: Part; readonly version: number };

/** Every part, the builder's own among them: found, changed, copied, set aside. */
export function ShelfPage() {
  useTitle('Parts shelf');
  const [aside, setAside] = useState(false);
  const [open, setOpen] = useState<Open>();
  const [uses, setUses] = useState<Part>();
  const [said, setSaid] = useState('');
  const queries = useQueryClient();
  const parts = useQuery({
    queryKey: ['parts', aside ? 'aside' : 'shelf'],
    queryFn: aside ? api.partsAside : api.parts,
  });
  const edit = useMutation({
    mutationFn: (part: Part) => api.part(part.id),
    onSuccess: ({ answer, version }) => setOpen({ part: answer, version }),
  });
  const put = useMutation({
    mutationFn: async (part: Part) => {
      const { version } = await api.part(part.id);
      await api.putPart(part.id, aside ? 'shelf' : 'aside', version);
      return part;
    },
    onSuccess: async (part) => {
      setSaid(`“${part.name}” ${aside ? 'is back on the shelf' : 'is set aside'}. Builds keep their copies.`);
      await queries.invalidateQueries({ queryKey: ['parts'] });
    },
  });
  const copy = useMutation({
    mutationFn: ({ id: _own, ...part }: Part) =>
      api.createPart({ ...part, name: `${part.name.slice(0, 112)}, copy` }),
    onSuccess: async (part) => {
      setSaid(`“${part.name}” lies on the shelf.`);
      await queries.invalidateQueries({ queryKey: ['parts'] });
    },
  });
  const kept = (part: Part): void => {
    // A changed part may stand in builds as it was: they are offered the change.
    if (open && 'part' in open)
      void api.partUses(part.id).then(
        (builds) => builds.some(({ asOnShelf }) => !asOnShelf) && setUses(part),
        () => undefined,
      );
    setOpen(undefined);
    setSaid(`“${part.name}” is kept.`);
  };
  const problem = parts.error ?? edit.error ?? put.error ?? copy.error;
  return (
    <>
      <Header>
        <Link to="/builds" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
          Builds
        </Link>
      </Header>
      <main id="main" className="mx-auto max-w-[1120px] px-4 py-5 md:px-6">
        <Heading onNew={(kind) => setOpen({ kind })} onDone={setSaid} />
        {problem && (
          <p role="alert" className="mt-3 border border-short bg-short-lo px-4 py-2">
            {problem.message}
          </p>
        )}
        <p role="status" className={said === '' ? '' : 'mt-3 border border-edge bg-field px-4 py-2'}>
          {said}
        </p>
        <ShelfTable
          parts={parts.data ?? []}
          aside={aside}
          onAside={setAside}
          onEdit={(part) => edit.mutate(part)}
          onCopy={(part) => copy.mutate(part)}
          onPut={(part) => put.mutate(part)}
          onUses={setUses}
        />
      </main>
      {uses && <UsedIn part={uses} onClose={() => setUses(undefined)} />}
      {open && <Opened open={open} onClose={() => setOpen(undefined)} onKept={kept} />}
    </>
  );
}

interface HeadingProps {
  readonly onNew: (kind: PartKind) => void;
  readonly onDone: (said: string) => void;
}

const Heading = ({ onNew, onDone }: HeadingProps) => (
  <div className="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1>What is in the drawers?</h1>
      <p className="mt-1 text-soft">
        Every part that a build can take. Write your own down from what is printed on it.
      </p>
    </div>
    <div className="flex flex-wrap gap-2">
      {CHOSEN_KINDS.map((kind) => (
        <button key={kind} type="button" className="push" onClick={() => onNew(kind)}>
          New {kind}
        </button>
      ))}
      <select
        className="entry w-44"
        aria-label="New part of another kind"
        value=""
        onChange={(event) => {
          const kind = PART_KINDS.find((k) => k === event.target.value);
          if (kind) onNew(kind);
        }}
      >
        <option value="">New other part …</option>
        {PART_KINDS.filter((kind) => !CHOSEN_KINDS.some((chosen) => chosen === kind)).map((kind) => (
          <option key={kind} value={kind}>
            {kind}
          </option>
        ))}
      </select>
      <Link to="/shelf/measure" className="push">
        Measure a motor
      </Link>
      <ImportParts onDone={onDone} />
    </div>
  </div>
);

interface OpenedProps {
  readonly open: Open;
  readonly onClose: () => void;
  readonly onKept: (part: Part) => void;
}

function Opened({ open, onClose, onKept }: OpenedProps) {
  if ('kind' in open) return <OwnPart kind={open.kind} onClose={onClose} onKept={onKept} />;
  return (
    <Panel title={open.part.name} onClose={onClose} wide>
      <PartPhoto part={open.part} />
      <PartForm
        draft={draftOf(open.part)}
        keep={(part) => api.savePart(part, open.version)}
        onKept={onKept}
      />
    </Panel>
  );
}
