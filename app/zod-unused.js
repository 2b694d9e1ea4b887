/**
 * Stands in for parts of Zod the browser never calls: turning schemas into JSON Schema and back (the server makes
 * the OpenAPI document) and compiling schemas to code (our content security policy forbids generated code).
 */
const notHere = (name) => () => {
  throw new Error(`${name} is left out of the application's script`);
};

export const createToJSONSchemaMethod = () => notHere('toJSONSchema');
export const createStandardJSONSchemaMethod = () => notHere('toJSONSchema');
export const toJSONSchema = notHere('toJSONSchema');
export const fromJSONSchema = notHere('fromJSONSchema');
export const compile = notHere('compile');
export class JSONSchemaGenerator {
  constructor() {
    notHere('JSONSchemaGenerator')();
  }
}
