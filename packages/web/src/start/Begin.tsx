import { LAYOUT_TEMPLATES, type Build } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import type { QuestionProps } from './answers.ts';

interface BeginProps extends QuestionProps {
  readonly done: () => void;
  readonly build: Build | undefined;
  readonly unread: number;
}

/** Its name, which may be left away, and the press that makes it. */
export function Begin({ answers, change, done, build, unread }: BeginProps) {
  const id = useId();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const create = useMutation({
    mutationFn: api.begin,
    onSuccess: async (made) => {
      done();
      await queries.invalidateQueries({ queryKey: ['builds'] });
      await navigate(stationAddress(made.id, 'brief'));
    },
  });
  const usual = LAYOUT_TEMPLATES.find((template) => template.id === answers.layout)?.title ?? '';
  const begin = (): void => {
    if (build) create.mutate({ ...build, name: answers.name.trim() === '' ? usual : answers.name.trim() });
  };
  return (
    <form
      className="mt-3 grid gap-2 border-t border-line pt-3"
      aria-label="Begin the build"
      onSubmit={(event) => {
        event.preventDefault();
        begin();
      }}
    >
      <div>
        <label htmlFor={id} className="block text-[14px] text-soft">
          Its name
        </label>
        <input
          id={id}
          className="entry"
          maxLength={120}
          autoComplete="off"
          placeholder={usual}
          value={answers.name}
          onChange={(event) => change({ name: event.target.value })}
        />
      </div>
      <button type="submit" className="push push-main" disabled={!build || create.isPending || unread > 0}>
        Begin this build
      </button>
      {unread > 0 && (
        <p role="status" className="text-[14px]">
          {unread === 1 ? 'One figure cannot be read' : `${unread} figures cannot be read`} yet.
        </p>
      )}
      {create.isError && (
        <p role="alert" className="text-[14px] text-short">
          {create.error.message}
        </p>
      )}
    </form>
  );
}
