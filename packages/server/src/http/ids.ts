import type { Router } from 'express';
import { notFound } from './http-problem.ts';

/** Ids are letters, digits, `-` and `_`: what is none is nothing that is kept here. */
const ID = /^[A-Za-z0-9_-]{1,60}$/;

export const isId = (text: string): boolean => ID.test(text);

/** Answers 404 where a part of the address should be an id and is none. */
export function onlyIds(routes: Router, ...names: readonly string[]): void {
  for (const name of names)
    routes.param(name, (_request, _response, next, value: string) => {
      next(isId(value) ? undefined : notFound('such thing'));
    });
}
