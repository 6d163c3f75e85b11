/** Schemas carry a way to write themselves as JSON Schema; nothing in a browser asks for that. */
const notHere = () => () => {
  throw new Error('JSON Schema is not written in the browser');
};

export const createToJSONSchemaMethod = notHere;
export const createStandardJSONSchemaMethod = notHere;
export const toJSONSchema = notHere();
