export async function buildClient() {}
