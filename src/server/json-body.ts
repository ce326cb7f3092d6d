import express, { type RequestHandler } from 'express';
import { InputError } from '../core/base/errors';
import { isTooDeep, MAX_JSON_DEPTH } from './json-depth';

/** Reads a JSON body, bounded in size and in depth before it is parsed. */
export const jsonBody = (): RequestHandler =>
  express.json({
    limit: '256kb',
    verify: (_req, _res, body) => {
      if (isTooDeep(body))
        throw new InputError(
          'body',
          'The request is nested too deeply.',
          `Enter at most ${MAX_JSON_DEPTH} levels of lists and records`,
        );
    },
  });
