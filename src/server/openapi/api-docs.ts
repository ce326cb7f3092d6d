import type Joi from 'joi';

/** The documentation of a route: it stands beside it, with the very schemas that check it. */
export interface RouteDoc {
  says: string;
  query?: Joi.Schema;
  /** A JSON body by its schema, or the type of another one. */
  body?: Joi.Schema | string;
  /** The type of the answer where it is not JSON; null where there is none. */
  gives?: string | null;
  /** The status if it is not 200, or 204 without an answer. */
  status?: 201;
}

/** Routes by method and address under `/api`: `GET /jobs/:id`. */
export type ApiDocs = Readonly<Record<string, RouteDoc>>;
