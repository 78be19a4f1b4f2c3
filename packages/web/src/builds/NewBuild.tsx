import { TEMPLATES } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId, useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import { Choice } from '../fields/Choice.tsx';

const OPTIONS = TEMPLATES.map(({ id, title }) => ({ value: id, title }));

/** A name and what to start from; the rest is the Brief's. */
export function NewBuild() {
  const id = useId();
  const [name, setName] = useState('');
  const [template, setTemplate] = useState('blank');
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
    if (name.trim() !== '') create.mutate({ name: name.trim(), template });
  };
  return (
    <form className="sheet p-3" onSubmit={submit} noValidate aria-label="New build">
      <div className="flex flex-wrap items-end gap-3">
        <div className="relative min-w-48 flex-1">
          <label htmlFor={id} className="block text-[14px] text-soft">
            Name of a new build
          </label>
          <input
            id={id}
            className="entry"
            value={name}
            maxLength={120}
            autoComplete="off"
            aria-invalid={missing}
            aria-describedby={missing || create.isError ? `${id}-problem` : undefined}
            onChange={(event) => {
              setName(event.target.value);
              setMissing(false);
            }}
          />
        </div>
        <Choice
          className="w-44"
          label="Start from"
          value={template}
          options={OPTIONS}
          onChange={setTemplate}
        />
        <button type="submit" className="push push-main" disabled={create.isPending}>
          New build
        </button>
      </div>
      <p
        id={`${id}-problem`}
        className="mt-1 text-[14px]"
        role={missing || create.isError ? 'alert' : undefined}
      >
        {missing || create.isError ? (
          <span className="text-short">{missing ? 'Give it a name first.' : create.error?.message}</span>
        ) : (
          <span className="text-soft">{TEMPLATES.find((t) => t.id === template)?.sentence}</span>
        )}
      </p>
    </form>
  );
}
