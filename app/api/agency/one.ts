import Joi from 'joi';

/** One picture of an agency, among those that some words are found in. */
export const ONE_OF = Joi.object<{ q: string; uri: string }>({
  q: Joi.string().allow('').max(200).required(),
  uri: Joi.string().max(400).required(),
});
