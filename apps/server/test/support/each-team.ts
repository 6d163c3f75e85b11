import { openOffice, type Office, type Team } from './office.ts';

let made = 0;

/** An office for the file, and a team of its own for each of its tests. */
export function eachTeam(name: string): { readonly office: Office; readonly team: Team } {
  let office: Office | undefined;
  let team: Team | undefined;
  beforeAll(async () => {
    office = await openOffice();
  });
  beforeEach(async () => {
    team = await office?.newTeam(`${name}${++made}`);
  });
  afterAll(() => office?.close());
  return {
    get office() {
      if (!office) throw new Error('no office is open');
      return office;
    },
    get team() {
      if (!team) throw new Error('no team is there');
      return team;
    },
  };
}
