import openapiTypescript, { astToString } from 'openapi-typescript';
import { describeApp } from './app.js';

/** The files of `client/` that are made from the description of the HTTP interface, by their paths in the project. */
export async function describedClient(): Promise<Record<string, string>> {
  const description = JSON.stringify(await describeApp(), null, 2);
  const types = await openapiTypescript(description, { arrayLength: true, defaultNonNullable: false });
  return {
    'client/openapi.json': `${description}\n`,
    'client/src/schema.ts': `// Made by “npm run generate” from openapi.json; not to be changed by hand.\n${astToString(types)}`,
  };
}
