import type { Build, StartAnswers } from '@zubric/core/vehicle';
import { useEffect, useState } from 'react';

/** What was answered so far; what is left away was not asked yet. */
export type Answers = Partial<Omit<StartAnswers, 'jobs' | 'name'>> & Pick<StartAnswers, 'jobs' | 'name'>;

const NOTHING: Answers = { name: '', jobs: [] };
const KEY = 'zubric.new-build';

/** As this tab left it; nothing where that is none. */
function left(): Answers {
  try {
    const read = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Answers | null;
    return read && Array.isArray(read.jobs) && typeof read.name === 'string' ? read : NOTHING;
  } catch {
    return NOTHING;
  }
}

interface Held {
  readonly answers: Answers;
  readonly change: (part: Partial<Answers>) => void;
  /** Nothing is kept any more: it was begun. */
  readonly done: () => void;
}

/** What is answered, kept in this tab until the build is begun: leaving the page loses nothing. */
export function useAnswers(): Held {
  const [answers, setAnswers] = useState(left);
  useEffect(() => {
    sessionStorage.setItem(KEY, JSON.stringify(answers));
  }, [answers]);
  return {
    answers,
    change: (part) => setAnswers((now) => ({ ...now, ...part })),
    done: () => {
      sessionStorage.removeItem(KEY);
    },
  };
}

/** What is still to be said before anything can be answered, in the words of the questions. */
export const stillAsked = ({ layout, like, mass, wheel, jobs }: Answers): string[] => [
  ...(layout === undefined ? ['what it is'] : []),
  ...(like === undefined && !mass && !wheel ? ['how big it is'] : []),
  ...(jobs.length === 0 ? ['what it does'] : []),
];

/** What every question is given. */
export interface QuestionProps {
  readonly answers: Answers;
  readonly change: (part: Partial<Answers>) => void;
}

export interface FigureQuestionProps extends QuestionProps {
  /** As far as it can be made of the answers. */
  readonly build: Build | undefined;
  readonly onUnread: (name: string, unread: boolean) => void;
}
