import Joi from 'joi';
import { tryInput } from '../../core/base/errors';
import { refusalText } from './refusal';

/** A sentence at the field that is at fault. */
const refuse = (helpers: Joi.CustomHelpers, sentence: string) =>
  helpers.message({ custom: '{{#sentence}}' }, { sentence });

/**
 * A field of a form: what is typed, read by the core, whose own sentence stands at the field where
 * it refuses. The form hands on what was typed.
 */
export const typed = (read: (text: string) => unknown): Joi.Schema =>
  Joi.string()
    .allow('')
    .required()
    .custom((text: string, helpers) => {
      const found = tryInput(() => read(text));
      return found.ok ? text : refuse(helpers, refusalText(found.problem));
    });

/** A field that may not be left empty; `sentence` says so. */
export const needed = (sentence: string, max = 300): Joi.Schema =>
  Joi.string()
    .trim()
    .min(1)
    .max(max)
    .required()
    .messages({
      'string.empty': sentence,
      'string.min': sentence,
      'string.max': `At most ${max} characters.`,
      'any.required': sentence,
    });

/** Whole values that no single field can judge: a refusal goes to the field that it names. */
export const whole = <Values extends object>(read: (values: Values) => unknown): Joi.ObjectSchema =>
  Joi.object()
    .unknown(true)
    .messages({ 'form.refused': '{{#sentence}}' })
    .custom((values: Values, helpers) => {
      const found = tryInput(() => read(values));
      if (found.ok) return values;
      const { state } = helpers;
      const field = found.problem.field.split(/[.[]/)[0]!;
      return helpers.error(
        'form.refused',
        { sentence: refusalText(found.problem) },
        state.localize!([...state.path!, field], state.ancestors as never, state as never),
      );
    });
