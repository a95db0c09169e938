/** How Joi says what is wrong where its own words would show a pattern or a field's inner name. */
export const PLAIN_MESSAGES = {
  'string.pattern.base': '{{#label}} is not well formed',
  'string.pattern.name': '{{#label}} is not well formed',
  'string.hex': '{{#label}} is not well formed',
} as const;
