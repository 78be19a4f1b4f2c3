import type { Part } from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { answering, type SeenRequest } from './answers.ts';

/** A server that keeps parts. */
export function serving(first: readonly Part[], more: Parameters<typeof answering>[0] = {}): SeenRequest[] {
  let parts = [...first];
  const aside: Part[] = [];
  return answering({
    'GET /api/parts': () => ({ parts }),
    'GET /api/parts\\?place=aside': () => ({ parts: aside }),
    'GET /api/parts/*': (_, [id]) => parts.find((part) => part.id === id),
    'POST /api/parts': ({ body }) => {
      const part = { ...(body as Part), id: `own-${parts.length}` };
      parts = [...parts, part];
      return part;
    },
    'PUT /api/parts/*/place': (_, [id]) => {
      aside.push(...parts.filter((part) => part.id === id));
      parts = parts.filter((part) => part.id !== id);
    },
    'PUT /api/parts/*': ({ body }, [id]) => {
      parts = parts.map((part) => (part.id === id ? (body as Part) : part));
      return body;
    },
    ...more,
  });
}

export const form = () => within(screen.getByRole('form', { name: 'A part of your own' }));
export const type = (label: string | RegExp, value: string): void => {
  const field = form().getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
export const press = (name: string): void => {
  fireEvent.click(form().getByRole('button', { name }));
};
export const posted = (asked: readonly SeenRequest[]) =>
  asked.filter(({ method }) => method === 'POST').map(({ body }) => body as Part);
