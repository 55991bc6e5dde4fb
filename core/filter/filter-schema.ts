import Joi from 'joi';
import type { ReadyFilter } from './ready-filter';

const text = Joi.string().allow('').max(2_000);

/** The shape of a filter as it is kept on the shelf or exchanged. */
export const FILTER_SCHEMA = Joi.object<ReadyFilter>({
  id: Joi.string().min(1).max(100).required(),
  name: Joi.string().min(1).max(200).required(),
  about: text.required(),
  kind: text.required(),
  source: text.required(),
  date: text.required(),
  text: Joi.string().min(1).max(70_000).required(),
  texts: Joi.object().pattern(Joi.string().max(100), Joi.string().min(1).max(70_000)).required(),
});
