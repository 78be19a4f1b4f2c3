import { ROLE_WORDS, type Me } from '@zubric/core/answers';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { useLocation, useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { useTitle } from '../common/use-title.ts';

interface Wanted {
  readonly code: string;
  readonly name: string;
}

/** What a phone opens when it scans a code: its name, and in. */
export function PairPage() {
  useTitle('Come in');
  const { hash } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Wanted>({
    defaultValues: { code: decodeURIComponent(hash.slice(1)), name: '' },
  });
  const pair = useMutation({
    mutationFn: ({ code, name }: Wanted) => api.pair(code, name),
    retry: false,
    onSuccess: (me) => {
      queries.clear();
      queries.setQueryData(['me'], me);
    },
  });
  if (pair.data) return <In me={pair.data} onOn={() => void navigate('/builds', { replace: true })} />;
  const submit = handleSubmit((wanted) => pair.mutate(wanted));
  const problem = formState.errors.name?.message ?? formState.errors.code?.message ?? pair.error?.message;
  return (
    <main id="main" className="mx-auto max-w-md px-4 py-8">
      <h1>Come in to Zubric</h1>
      <form className="sheet mt-4 grid gap-4 p-4" onSubmit={(event) => void submit(event)} noValidate>
        <label className="grid gap-1">
          <span>What is this device called? It stands beside what you record.</span>
          <input
            className="entry min-h-11"
            autoComplete="off"
            maxLength={60}
            placeholder="Group 3, or your name"
            {...register('name', { validate: (name) => name.trim() !== '' || 'Give the device a name.' })}
          />
        </label>
        <label className="grid gap-1">
          <span>Code, as the bench shows it</span>
          <input
            className="entry min-h-11"
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            maxLength={20}
            {...register('code', { validate: (code) => code.trim() !== '' || 'Type the code.' })}
          />
        </label>
        {problem !== undefined && (
          <p role="alert" className="text-short">
            {problem}
          </p>
        )}
        <button type="submit" className="push push-main min-h-11" disabled={pair.isPending}>
          Come in
        </button>
      </form>
    </main>
  );
}

/** What the device is now, and whether it can begin without a network. */
function In({ me, onOn }: { readonly me: Me; readonly onOn: () => void }) {
  return (
    <main id="main" className="mx-auto grid max-w-md gap-3 px-4 py-8">
      <h1>{me.name} is in</h1>
      <p>It {ROLE_WORDS[me.role].may}.</p>
      <p>
        {window.isSecureContext
          ? 'It can be put on the home screen, and opens without a network then.'
          : 'This address is not encrypted, so the browser cannot open it again without a network: keep the page open. What you record while the network is away is kept on this device and sent later.'}
      </p>
      <p>
        <button type="button" className="push push-main min-h-11" onClick={onOn}>
          To the builds
        </button>
      </p>
    </main>
  );
}
