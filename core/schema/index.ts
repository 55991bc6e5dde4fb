import type Joi from 'joi';

/**
 * The parts of an object's schema by the names of its type: `Joi.object<T>({ … } satisfies SchemaOf<T>)`. A
 * name that is only in the type, or only in the schema, does not compile.
 */
export type SchemaOf<T> = { readonly [Name in keyof Required<T>]: Joi.Schema };
