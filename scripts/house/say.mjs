/** A failure with a sentence that says what to do; shown without a stack trace. */
export class Trouble extends Error {}

export const say = (words) => console.log(`ant-trail: ${words}`);

/** Runs a script's main function and ends with a plain sentence when it fails. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Trouble ? `\nant-trail: ${error.message}` : error);
    process.exit(1);
  }
}
