export function fromJSONSchema() {
  throw new Error('JSON Schema is not read in the browser');
}
