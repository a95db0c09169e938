import Joi from 'joi';

/** One picture of an agency. */
export const ONE_OF = Joi.object<{ uri: string }>({ uri: Joi.string().max(400).required() });
