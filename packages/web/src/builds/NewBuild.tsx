import { TEMPLATES } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import { Choice } from '../fields/Choice.tsx';
import { NameForm } from '../fields/NameForm.tsx';

const OPTIONS = TEMPLATES.map(({ id, title }) => ({ value: id, title }));

/** A name and what to start from; the rest is the Brief's. */
export function NewBuild() {
  const [template, setTemplate] = useState('blank');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const create = useMutation({
    mutationFn: api.createBuild,
    onSuccess: async (build) => {
      await queries.invalidateQueries({ queryKey: ['builds'] });
      await navigate(stationAddress(build.id, 'brief'));
    },
  });
  return (
    <NameForm
      className="sheet p-3"
      title="New build"
      label="Name of a new build"
      button="New build"
      mainButton
      missing="Give it a name first."
      problem={create.error?.message}
      onSubmit={(name) => create.mutateAsync({ name, template })}
      help={
        <p className="mt-1 text-[14px] text-soft">{TEMPLATES.find((t) => t.id === template)?.sentence}</p>
      }
    >
      <Choice className="w-44" label="Start from" value={template} options={OPTIONS} onChange={setTemplate} />
    </NameForm>
  );
}
