import Joi from 'joi';

/** Messages by their names. */
type Messages = Record<string, string>;

const MESSAGES = Joi.object<Messages>().pattern(Joi.string(), Joi.string().allow('')).required();

/** The messages of a language, as the server keeps them beside the page. Fails if they cannot be had. */
export async function fetchWords(language: string): Promise<Messages> {
  const response = await fetch(`/words.${language}.json`);
  if (!response.ok) throw new Error(`The words of the page could not be loaded (${response.status}).`);
  return Joi.attempt((await response.json()) as unknown, MESSAGES);
}
