import { isActionSettled, DAYS_FOR_SEVERITY, type ActionState } from '@ant-trail/core/actions';
import { addDays, inZone } from '@ant-trail/core/calendar';
import { answerTable } from '@ant-trail/core/exchange';
import type { Facts } from '@ant-trail/core/fields';
import { distanceMetres } from '@ant-trail/core/geo';
import { entryHash, timeOrderedId, type Entry } from '@ant-trail/core/log';
import { jobState, type VisitStanding, type VisitStep } from '@ant-trail/core/planning';
import {
  answersToCarry,
  fold,
  planSheet,
  readingsOf,
  summarise,
  type SheetPlan,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { recordedOf } from '@ant-trail/core/records';
import { saidOfThings } from '@ant-trail/core/story';
import { sayTagNumber, tagNumber } from '@ant-trail/core/tags';
import { CATALOGUES } from './catalogues.ts';
import { Chance } from './chance.ts';
import { planDay, type PlannedVisit } from './day-plan.ts';
import { island } from './island/index.ts';
import { emailOf, HOURS, PEOPLE } from './people.ts';
import type { DemoPicture } from './pictures.ts';
import { readingAt } from './readings.ts';
import { OWN_FIELDS, ownColumns } from './own-fields.ts';
import { saidOfDay, type SaidOfDay } from './hours.ts';
import { HOLIDAYS, ROUNDS } from './rounds.ts';
import { KINDS, MAIN_THING, thingsAt, WORN } from './register.ts';
import { placeOf, SITES, type DemoSite } from './sites.ts';
import { SURVEYS } from './trades/surveys.ts';
import { TEMPLATES, type DemoTemplate } from './templates/index.ts';
import { WalkedSheet, type Author } from './walked-sheet.ts';

/** One table's rows, with the columns as the database names them. */
export interface TableRows {
  readonly table: string;
  readonly rows: Record<string, unknown>[];
}

export interface DemoSetting {
  readonly now: Date;
  /** The island's time zone; a whole number of hours from UTC. */
  readonly timeZone: string;
  readonly offsetHours: number;
  readonly passwordHash: string;
  readonly pictures: Readonly<Record<string, readonly DemoPicture[]>>;
}

const HISTORY_DAYS = 60;
const DAYS_PLANNED = 7;
/** Of so many days people said when they began and ended. */
const HOURS_DAYS = 13;
const SEED = 20_311;

const INSTRUCTIONS: Record<string, string> = {
  drive: 'Drive room round with brake readings. Let the brakes cool for five minutes first.',
  hut: 'Whole house, and ask the warden what is missing.',
  board: 'Visual check and the three measurements. Tell the house before you trip anything.',
  spring: 'Readings at the weir, then a look round the works.',
  turbine: 'Round while it runs. Do not open the guard.',
  path: 'Walk the whole way and back; test one anchor.',
  alarm: 'Panel, battery and every device. Tell the house before the horns sound.',
  certificate: 'All boards, every circuit. Agree with the house when the power may go.',
};

/** What work takes along: a full gas bottle for each hut, grease and rags for a drive room. */
const TAKES: Readonly<Record<string, readonly { what: string; much: number }[]>> = {
  hut: [{ what: 'kilograms', much: 14 }],
  drive: [{ what: 'kilograms', much: 4 }],
};

const MESSAGES = [
  [190, 'marn', 'edda', 'The ferry is late: the lamp oil for Petrel hut comes at noon.', true],
  [181, 'marn', 'marn', 'All right, Petrel hut after Kittiwake then.', true],
  [64, 'rook', 'edda', 'Turbine 2 can be stopped from ten on, if you need it.', true],
  [12, 'rook', 'rook', 'Not needed. The guard rattles, I have opened an action.', false],
] as const;

/** Notes at places: where, whose, how many days ago, and what they say. */
const NOTES = [
  [
    'Gannet Head, upper cableway station',
    'rook',
    12,
    'The tunnel door sticks: lift it, then push.',
  ],
  ['Gannet Head, upper cableway station', 'tove', 3, 'The lamp over the drive is out. Bring one.'],
  ['Harbour clinic', 'imke', 9, 'Ring twice at the side door; the front one is for patients only.'],
] as const;

const mailOf = (name: string): string => name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
const mailName = (site: DemoSite): string => mailOf(site.name);

/** What the office knows of a place by its own fields. */
const ownOf = ({ template }: DemoSite, at: number): Facts => ({
  plot: { value: `${100 + at * 7}/${1 + (at % 4)}` },
  winter: { value: template === 'drive' ? 'ropeway' : template === 'path' ? 'not' : 'foot' },
});

/** Whom the work is for: name, number, address, who to ask for there. */
/** Places of the branch in the north. */
const NORTH: readonly string[] = ['North landing goods ropeway', 'Weather station boards'];

const CLIENTS = [
  ['Island Assembly', 'C-01', 'Assembly hall, Tarnhollow', 'Una Hale', 'clerk', '+999 55 3001'],
  [
    'Hut wardens’ guild',
    'C-02',
    'Kittiwake hut, Tarnhollow',
    'Odo Vance',
    'guild master',
    '+999 55 3002',
  ],
] as const;

/**
 * The demo organisation, from a fixed seed and relative to now: 60 days of work behind it, a day
 * under way, a week planned.
 */
export class Scenario {
  private readonly chance = new Chance(SEED);
  /** Apart from the rest, so that a longer register changes no history. */
  private readonly things = new Chance(SEED + 1);
  private readonly tables = new Map<string, Record<string, unknown>[]>();
  private readonly org = this.chance.uuid();
  private readonly branch = this.chance.uuid();
  private readonly north = new Chance(SEED + 2).uuid();
  private readonly people = new Map<string, Author>();
  private readonly sites = new Map<string, string>();
  /** By place: the thing its rounds are about. */
  private readonly mainThings = new Map<string, string>();
  private readonly plans = new Map<string, SheetPlan>();
  /** Whom to call at a place. */
  private readonly wardens = new Map<string, string>();
  private readonly templates = new Map<string, { id: string; version: string }>();
  private readonly chains = new Map<string, string>();
  private readonly today: string;
  private readonly minute: number;

  constructor(private readonly setting: DemoSetting) {
    ({ day: this.today, minute: this.minute } = inZone(setting.now, setting.timeZone));
  }

  get organisation(): string {
    return this.org;
  }

  build(): TableRows[] {
    this.office();
    this.register();
    for (let ago = HISTORY_DAYS; ago >= 1; ago--) this.pastDay(ago);
    this.thisDay();
    for (let ahead = 1; ahead <= DAYS_PLANNED; ahead++) this.dayAhead(ahead);
    this.withoutPerson();
    this.turnedBack();
    this.notes();
    this.hours();
    this.messages();
    this.surveys();
    return [...this.tables].map(([table, rows]) => ({ table, rows }));
  }

  private put(table: string, row: Record<string, unknown>): void {
    const rows = this.tables.get(table) ?? [];
    this.tables.set(table, rows);
    rows.push(table === 'organisation' ? row : { org_id: this.org, ...row });
  }

  /** The demo's reports were mailed when its sheets were approved. */
  private approval(id: string, { state }: WalkedSheet): void {
    const { stage, stageEntry } = state;
    if (stage !== 'approved' || !stageEntry) return;
    this.put('approval', {
      sheet_id: id,
      entry_id: stageEntry.id,
      approved_at: stageEntry.at,
      approved_by: stageEntry.by,
      summary: summarise(state),
      answers: answerTable(state, (person) => this.nameOf(person)),
      mailed_at: stageEntry.at,
    });
  }

  private nameOf(person: string): string {
    return [...this.people.values()].find((each) => each.person === person)?.name ?? '';
  }

  private instant(day: string, minute: number): Date {
    return new Date(
      Date.parse(`${day}T00:00:00Z`) + (minute - this.setting.offsetHours * 60) * 60_000,
    );
  }

  private office(): void {
    this.put('organisation', {
      id: this.org,
      name: 'Tarnhollow Upkeep',
      time_zone: this.setting.timeZone,
    });
    this.put('branch', { id: this.branch, name: 'Harbour depot' });
    this.put('branch', { id: this.north, name: 'North landing depot' });
    PEOPLE.forEach((person, index) => {
      const id = this.chance.uuid();
      this.people.set(person.key, {
        person: id,
        name: person.name,
        device: this.chance.uuid(),
      });
      this.put('person', {
        id,
        branch_id: this.branch,
        name: person.name,
        email: emailOf(person),
        phone: `+999 55 01${String(10 + index)}`,
        roles: person.roles,
        trade: person.trade,
        skills: person.skills ?? [],
        hours: person.roles.includes('technician') ? HOURS : [],
        absences: person.away
          ? [
              {
                from: addDays(this.today, person.away.from),
                to: addDays(this.today, person.away.to),
                why: person.away.why,
              },
            ]
          : [],
        vehicle: person.vehicle ?? null,
        password_hash: this.setting.passwordHash,
      });
      for (const branch of [this.branch, ...(person.bothBranches ? [this.north] : [])])
        this.put('person_branch', { person_id: id, branch_id: branch });
      for (const { kind, number, issuer, days } of person.credentials)
        this.put('credential', {
          id: this.chance.uuid(),
          person_id: id,
          kind,
          number,
          issuer,
          expires_on: addDays(this.today, days),
        });
    });
  }

  private register(): void {
    for (const { key, name, columns, rows } of CATALOGUES)
      this.put('catalogue', {
        id: this.things.uuid(),
        key,
        name,
        number: 1,
        imported_at: this.instant(addDays(this.today, -40), 600).toISOString(),
        columns,
        rows,
      });
    for (const { name, look, content } of island())
      this.put('map_layer', { id: this.things.uuid(), name, look, content });
    for (const { key } of TEMPLATES)
      this.templates.set(key, { id: this.chance.uuid(), version: this.chance.uuid() });
    for (const template of TEMPLATES) {
      const ids = this.idsOf(template.key);
      const body = this.withNext(template);
      this.plans.set(template.key, planSheet(body));
      this.put('template', { id: ids.id, title: template.body.title });
      this.put('template_version', {
        id: ids.version,
        template_id: ids.id,
        number: template.version,
        published_at: this.instant(addDays(this.today, -HISTORY_DAYS - 20), 600),
        body,
      });
    }
    for (const site of SITES) {
      const id = this.chance.uuid();
      this.sites.set(site.name, id);
      const contact = mailName(site);
      const who = this.chance.pick(['Ansa Fell', 'Orrin Tully', 'Pia Lund', 'Bram Rook']);
      this.wardens.set(site.name, who);
      this.put('site', {
        id,
        branch_id: NORTH.includes(site.name) ? this.north : this.branch,
        name: site.name,
        client: site.template === 'hut' ? 'Hut wardens’ guild' : 'Island Assembly',
        address: `${site.name}, Tarnhollow`,
        ...placeOf(site),
        access: site.access || 'Key from the harbour office, hook with the site’s name.',
        hazards: site.hazards,
        hazard_ends: site.hazards
          .filter((hazard) => hazard.startsWith('Ice'))
          .map((hazard) => ({ hazard, until: addDays(this.today, 120) })),
        radius: site.template === 'path' ? 400 : null,
        owner: site.template === 'board' ? 'Harbour Guild' : '',
        ...ownColumns('place', ownOf(site, SITES.indexOf(site))),
        contacts: [
          {
            name: who,
            role: site.template === 'hut' ? 'warden' : 'keeper',
            phone: `+999 55 ${Math.floor(this.chance.between(2000, 9999))}`,
            email: `${contact}@tarnhollow.example`,
          },
        ],
      });
      this.standing(site, id);
    }
    for (const [name, number, address, contact, role, phone] of CLIENTS)
      this.put('client', {
        ...{ id: this.things.uuid(), name, number, address, note: '' },
        ...ownColumns('client', {
          within: { value: name === 'Hut wardens’ guild' ? 14 : 5, unit: 'd' },
        }),
        demands: name === 'Hut wardens’ guild' ? { skills: ['gas tightness'] } : {},
        contacts: [{ name: contact, role, phone, email: `${mailOf(contact)}@tarnhollow.example` }],
      });
    for (const [holder, own] of Object.entries(OWN_FIELDS))
      this.put('own_fields', { id: this.things.uuid(), holder, ...own });
    for (const { name, fields } of KINDS)
      this.put('asset_kind', { id: this.things.uuid(), name, fields });
    this.repeating();
  }

  /** What is walked again and again, from the day after tomorrow on: the server plans it ahead. */
  private repeating(): void {
    const keeper = this.author('edda').person;
    for (const { who, onHolidays, template, stops, ...round } of ROUNDS)
      this.put('round', {
        ...round,
        ...{ id: this.things.uuid(), branch_id: this.branch, on_holidays: onHolidays },
        ...{ begins: addDays(this.today, 2), without: [], besides: [], recipients: [] },
        ...{ reader_id: null, person_id: this.author(who).person, changed_by: keeper },
        stops: stops.map(([place, minutes]) => ({
          ...{ site: this.sites.get(place), asset: null, minutes },
          template: this.templates.get(template)?.id,
        })),
      });
    for (const [days, name] of HOLIDAYS)
      this.put('holiday', { day: addDays(this.today, days), name });
  }

  /** What stands at a place, with its labels, and how it came there. */
  private standing(site: DemoSite, id: string): void {
    const keeper = this.author('edda').person;
    const walker = this.author(site.who).person;
    for (const thing of thingsAt(site.template, this.things)) {
      // What its bearing shows over the weeks has not escaped whoever walks there.
      if (thing.name === MAIN_THING[site.template] && site.name === WORN) thing.condition = 'watch';
      this.put('asset', { ...thing, site_id: id, retired: false });
      if (thing.name === MAIN_THING[site.template]) this.mainThings.set(site.name, thing.id);
      const happened = (
        ago: number,
        kind: string,
        by: string,
        more: { was?: string; became?: string; note?: string } = {},
      ): void => {
        const at = this.instant(addDays(this.today, -ago), 9 * 60 + this.things.between(0, 300));
        this.put('asset_event', {
          id: timeOrderedId(at.getTime(), this.things.bytes(16)),
          asset_id: thing.id,
          ...{ kind, at, by_id: by, was: '', became: '', note: '' },
          ...more,
        });
      };
      happened(240, 'entered', keeper, { became: thing.name });
      if (thing.condition === 'watch' || thing.condition === 'poor')
        happened(15, 'condition', walker, {
          ...{ was: 'sound', became: thing.condition },
          note: thing.condition === 'poor' ? 'Worn: plan a replacement.' : 'Look at it next time.',
        });
      if (this.things.happens(0.4)) continue;
      const number = tagNumber(Math.floor(this.things.between(1_000_000, 9_999_999)));
      const bound = this.instant(addDays(this.today, -85), 10 * 60);
      this.put('tag', { id: this.things.uuid(), number, asset_id: thing.id, bound_at: bound });
      happened(85, 'label bound', walker, { became: sayTagNumber(number) });
    }
  }

  private author(key: string): Author {
    const author = this.people.get(key);
    if (!author) throw new Error(`nobody is called ${key}`);
    return author;
  }

  private sitesOf(who: string, turn: number): DemoSite[] {
    const own = SITES.filter((site) => site.who === who);
    return own
      .map((_, index) => own[(index + turn * 4) % own.length] ?? own[0])
      .filter((s) => s !== undefined);
  }

  private walkers(): string[] {
    return PEOPLE.filter((p) => p.roles.includes('technician')).map((p) => p.key);
  }

  private isSunday(day: string): boolean {
    return new Date(`${day}T00:00:00Z`).getUTCDay() === 0;
  }

  private pastDay(ago: number): void {
    const day = addDays(this.today, -ago);
    if (this.isSunday(day)) return;
    for (const who of this.walkers())
      planDay(this.sitesOf(who, HISTORY_DAYS - ago))
        .slice(0, 4)
        .forEach((visit, index) => {
          const lately = ago === 1 || (ago === 2 && this.isSunday(addDays(this.today, -1)));
          const outcome =
            !lately || index === 0
              ? 'approved'
              : who === 'marn' && index === 1
                ? 'returned'
                : 'waiting';
          this.walked(who, day, ago, visit, outcome);
        });
  }

  private walked(
    who: string,
    day: string,
    ago: number,
    visit: PlannedVisit,
    outcome: 'approved' | 'waiting' | 'returned',
  ): void {
    const begun = visit.start + Math.round(this.chance.between(-6, 18));
    const log = this.newSheet(who, day, ago, visit, begun);
    const author = this.author(who);
    log.sheet
      .fill(author, log.reading, { trouble: outcome === 'approved' ? 0.035 : 0.13 })
      .finish(author);
    const nextMorning = this.instant(addDays(day, 1), 8 * 60 + this.chance.between(0, 50));
    if (outcome === 'approved') {
      log.sheet.approve(
        this.author('sef'),
        nextMorning < this.setting.now ? nextMorning : this.setting.now,
      );
      this.actionsFor(log.sheet, visit.site, log.id, day, ago);
    }
    if (outcome === 'returned')
      log.sheet.giveBack(
        this.author('sef'),
        new Date(this.setting.now.getTime() - 40 * 60_000),
        'The photo of the extinguisher is too dark. A new one, please.',
      );
    log.keep(log.sheet.entries, begun + visit.minutes);
  }

  /** Prepares job, visit and sheet; `keep` stores them with the log as it then is. */
  private newSheet(
    who: string | null,
    day: string,
    ago: number,
    visit: PlannedVisit,
    begun: number,
  ) {
    const { site, start, minutes } = visit;
    const template = TEMPLATES.find((each) => each.key === site.template);
    const ids = this.templates.get(site.template);
    const plan = this.plans.get(site.template);
    const siteId = this.sites.get(site.name);
    if (!template || !ids || !plan || !siteId) throw new Error(`${site.name} has no template`);
    // What was walked besides has no pictures of its own: those of the kind of place.
    const place = SITES.find(({ name }) => name === site.name)?.template ?? 'board';
    const about = this.mainThings.get(site.name) ?? null;
    const id = this.chance.uuid();
    const [job, visitId] = [this.chance.uuid(), this.chance.uuid()];
    const sheet = new WalkedSheet(
      id,
      plan,
      this.chance,
      this.chains,
      this.setting.pictures[site.template] ?? this.setting.pictures[place] ?? [],
      this.instant(day, begun + 2),
    );
    const keep = (
      entries: readonly Entry[],
      left: number | null,
      standing: VisitStanding = 'under way',
    ): void => {
      const person = who === null ? null : this.author(who).person;
      const stage = sheet.state.stage;
      this.put('job', {
        id: job,
        branch_id: this.branch,
        site_id: siteId,
        template_id: ids.id,
        title: template.body.title,
        instructions: INSTRUCTIONS[site.template] ?? '',
        day,
        window_from: null,
        window_to: null,
        recipients: [`${mailName(site)}@tarnhollow.example`],
        takes: TAKES[site.template] ?? [],
        ...ownColumns('job', {
          order: { value: `TA ${day.slice(2, 4)}-${job.slice(-4)}` },
          paid_by: { value: site.template === 'hut' ? 'client' : 'assembly' },
        }),
        decision: null,
        state: jobState({
          decision: null,
          expected: null,
          leading: [person === null ? 'nobody' : standing],
          helping: [],
          stages: [stage],
        }),
        created_at: this.instant(addDays(day, -7), 600),
      });
      this.put('visit', {
        id: visitId,
        job_id: job,
        person_id: person,
        day,
        start,
        minutes,
        part: 'leads',
      });
      this.put('sheet', {
        id,
        job_id: job,
        version_id: ids.version,
        template_id: ids.id,
        title: template.body.title,
        person_id: null,
        asset_id: about,
        place: 0,
        summary: summarise(sheet.state),
        carried: answersToCarry(sheet.state, template.body),
        record: recordedOf(sheet.state),
        folded: entries.length,
      });
      this.approval(id, sheet);
      for (const entry of entries)
        this.put('entry', {
          id: entry.id,
          tx: 0,
          hash: entryHash(entry),
          odd: [],
          sheet_id: id,
          body: entry,
          received_at: new Date(Date.parse(entry.at) + 90_000),
        });
      this.readings(sheet, id, siteId, ids.id, about);
      for (const said of saidOfThings(sheet.state, about))
        this.put('sheet_thing', { sheet_id: id, asset_id: said.asset, said });
      if (standing === 'under way' && who !== null) {
        this.event(who, visitId, site, 'set off', day, begun - 9);
        this.event(who, visitId, site, 'arrived', day, begun);
        if (left !== null) this.event(who, visitId, site, 'left', day, left);
      }
    };
    return {
      id,
      job,
      visit: visitId,
      sheet,
      keep,
      reading: this.readingFor(site, template, day, ago),
    };
  }

  /** A helper comes along, with a sheet of their own and one that both fill in. */
  private makePair(job: string, helper: string, day: string, visit: PlannedVisit): void {
    const { start, minutes } = visit;
    const { person } = this.author(helper);
    this.put('visit', {
      ...{ id: this.chance.uuid(), job_id: job, person_id: person, day, start, minutes },
      part: 'helps',
    });
    for (const [key, owner, place] of [
      ['board', person, 1],
      ['path', null, 2],
    ] as const) {
      const template = TEMPLATES.find((each) => each.key === key);
      const ids = this.templates.get(key);
      const plan = this.plans.get(key);
      if (!template || !ids || !plan) throw new Error(`there is no template ${key}`);
      this.put('sheet', {
        ...{ id: this.chance.uuid(), job_id: job, version_id: ids.version, template_id: ids.id },
        ...{ title: template.body.title, person_id: owner, asset_id: null, place },
        ...{ carried: [], record: {}, folded: 0 },
        summary: summarise(fold(plan, [])),
      });
    }
  }

  private idsOf(template: string): { id: string; version: string } {
    const ids = this.templates.get(template);
    if (!ids) throw new Error(`there is no template ${template}`);
    return ids;
  }

  /** Its body with the job that follows, known by the template's id. */
  private withNext({ body, leads }: DemoTemplate): TemplateBody {
    if (!leads) return body;
    const { to, ...rule } = leads;
    const template = this.idsOf(to).id;
    return {
      ...body,
      followUp: { ...rule, title: '', template, when: 'always', person: 'nobody yet' },
    };
  }

  private readingFor(site: DemoSite, template: DemoTemplate, day: string, ago: number) {
    const offset = ((site.name.length * 37) % 21) / 10 - 1;
    const start = Date.parse(`${day.slice(0, 4)}-01-01T00:00:00Z`);
    const dayOfYear = (Date.parse(`${day}T00:00:00Z`) - start) / 86_400_000;
    return (key: string): number | null => {
      const usual = template.usual[key];
      return usual
        ? readingAt(
            this.chance,
            usual,
            { site: site.name, key, offset },
            { daysAgo: ago, dayOfYear },
          )
        : null;
    };
  }

  private readings(
    sheet: WalkedSheet,
    id: string,
    site: string,
    template: string,
    asset: string | null,
  ): void {
    for (const reading of readingsOf(sheet.state))
      this.put('reading', {
        ...{ sheet_id: id, site_id: site, template_id: template, asset_id: asset },
        ...reading,
      });
  }

  private event(
    who: string,
    visit: string,
    site: DemoSite,
    kind: VisitStep,
    day: string,
    minute: number,
    reason?: string,
  ): void {
    const at = this.instant(day, minute);
    const id = timeOrderedId(at.getTime(), this.chance.bytes(16));
    const place = placeOf(site);
    const fix = {
      lat: place.lat + this.chance.between(-2, 2) * 1e-4,
      lon: place.lon + this.chance.between(-2, 2) * 1e-4,
      accuracy: Math.round(this.chance.between(5, 30)),
    };
    const near = kind === 'arrived' || kind === 'turned back';
    this.put('visit_event', {
      id,
      visit_id: visit,
      body: {
        id,
        visit,
        kind,
        by: this.author(who).person,
        at: at.toISOString(),
        fix: near ? fix : null,
        distance: near ? Math.round(distanceMetres(place, fix)) : null,
        ...(reason === undefined ? {} : { reason }),
      },
      received_at: at,
    });
  }

  /** Yesterday somebody stood before a closed door. */
  private turnedBack(): void {
    const day = addDays(this.today, -1);
    const site = SITES.find(({ name }) => name === 'Assembly hall boards');
    if (!site) return;
    const visit = { site, start: 16 * 60 + 10, minutes: 30 };
    const { visit: id, keep } = this.newSheet('tove', day, 1, visit, visit.start);
    keep([], null, 'turned back');
    this.event('tove', id, site, 'set off', day, visit.start - 12);
    this.event('tove', id, site, 'arrived', day, visit.start);
    const why = 'Locked: the key hangs at the harbour office, and that closes at four';
    this.event('tove', id, site, 'turned back', day, visit.start + 6, why);
  }

  /** What trade kits are there for was done some weeks ago and lately; one each was left half way through. */
  private surveys(): void {
    for (const { ago, who, place, template, walk } of SURVEYS) {
      const site = SITES.find(({ name }) => name === place);
      if (!site) continue;
      const day = addDays(this.today, -ago);
      const visit = { site: { ...site, template }, start: 13 * 60, minutes: 150 };
      const log = this.newSheet(who, day, ago, visit, visit.start);
      const author = this.author(who);
      const { given, signs, isDone } = walk(this.chance, day);
      log.sheet.say(author, given);
      signs.forEach((question, at) =>
        log.sheet.sign(
          author,
          question,
          at < signs.length - 1 ? this.wardens.get(place) : author.name,
        ),
      );
      if (isDone) {
        log.sheet.finish(author);
        if (ago > 3) log.sheet.approve(this.author('sef'), this.instant(addDays(day, 1), 520));
      }
      log.keep(log.sheet.entries, isDone ? visit.start + visit.minutes : null);
    }
  }

  /** What people left at places for whoever comes next. */
  private notes(): void {
    for (const [place, who, ago, body] of NOTES) {
      const at = this.instant(addDays(this.today, -ago), 14 * 60 + 5);
      this.put('site_note', {
        id: timeOrderedId(at.getTime(), this.chance.bytes(16)),
        site_id: this.sites.get(place),
        ...{ body, by: this.author(who).person, at },
      });
    }
  }

  /** What people said of their last days: one forgot to say the end, one put a beginning right. */
  private hours(): void {
    const chance = new Chance(SEED + 5);
    const visits = this.tables.get('visit') ?? [];
    for (let ago = HOURS_DAYS; ago >= 0; ago--) {
      const day = addDays(this.today, -ago);
      for (const who of this.walkers()) {
        const { person } = this.author(who);
        const own = visits.filter((visit) => visit['person_id'] === person && visit['day'] === day);
        const starts = own.map(({ start }) => Number(start));
        const ends = own.map(({ start, minutes }) => Number(start) + Number(minutes));
        if (own.length === 0) continue;
        const said = saidOfDay(Math.min(...starts), Math.max(...ends), chance, {
          forgets: who === 'marn' && ago === 3,
          corrects: who === 'rook' && ago === 2,
        });
        for (const each of said)
          if (ago > 0 || each.minute < this.minute) this.clockEntry(person, day, each, chance);
      }
    }
  }

  /** What was written between the office and people: minutes ago, whose, by whom, and whether it was read. */
  private messages(): void {
    const chance = new Chance(SEED + 6);
    for (const [ago, whose, by, text, read] of MESSAGES) {
      const at = new Date(this.setting.now.getTime() - ago * 60_000);
      const id = timeOrderedId(at.getTime(), chance.bytes(16));
      const { person } = this.author(whose);
      const body = { id, person, visit: null, text, by: this.author(by).person };
      this.put('message', {
        ...{ id, person_id: person, visit_id: null, body: { ...body, at: at.toISOString() } },
        seen_at: read ? new Date(at.getTime() + 4 * 60_000) : null,
      });
    }
  }

  private clockEntry(
    person: string,
    day: string,
    { step, minute, right }: SaidOfDay,
    chance: Chance,
  ): void {
    const put = (
      at: Date,
      saidAt: Date,
      more: { insteadOf: string | null; reason: string | null },
    ) => {
      const id = timeOrderedId(saidAt.getTime(), chance.bytes(16));
      const times = { at: at.toISOString(), saidAt: saidAt.toISOString() };
      const body = { ...{ id, person, day, step, by: person }, ...times, ...more };
      this.put('clock_entry', { id, person_id: person, day, body });
      return id;
    };
    const at = this.instant(day, minute);
    const id = put(at, at, { insteadOf: null, reason: null });
    if (right)
      put(this.instant(day, right.minute), new Date(at.getTime() + 9 * 3_600_000), {
        ...{ insteadOf: id, reason: right.why },
      });
  }

  private actionsFor(
    sheet: WalkedSheet,
    site: DemoSite,
    id: string,
    day: string,
    ago: number,
  ): void {
    for (const finding of sheet.state.findings) {
      if (finding.severity < 2 || !finding.proposedAction || !this.chance.happens(0.55)) continue;
      const states: readonly ActionState[] =
        ago > 25
          ? ['verified', 'verified', 'done', 'dropped']
          : ['open', 'in hand', 'open', 'done'];
      const state = this.chance.pick(states);
      const dueOn = addDays(day, DAYS_FOR_SEVERITY[finding.severity]);
      const doer = this.author(site.who).person;
      const created = this.instant(addDays(day, 1), 8 * 60 + 30);
      const action = timeOrderedId(created.getTime(), this.chance.bytes(16));
      this.put('action', {
        id: action,
        site_id: this.sites.get(site.name),
        sheet_id: id,
        key: finding.key,
        title: finding.proposedAction,
        details: finding.words,
        severity: finding.severity,
        owner_id: doer,
        due_on: dueOn,
        state,
        created_by: this.author('sef').person,
        created_at: created,
      });
      const steps: ActionState[] = isActionSettled(state)
        ? state === 'dropped'
          ? ['dropped']
          : ['in hand', 'done', 'verified']
        : state === 'open'
          ? []
          : state === 'done'
            ? ['in hand', 'done']
            : ['in hand'];
      let from: ActionState = 'open';
      steps.forEach((to, index) => {
        this.put('action_move', {
          id: this.chance.uuid(),
          action_id: action,
          from_state: from,
          to_state: to,
          by: to === 'verified' || to === 'dropped' ? this.author('sef').person : doer,
          at: new Date(created.getTime() + (index + 1) * 20 * 3_600_000),
          note: to === 'dropped' ? 'Looked again: nothing to do.' : '',
        });
        from = to;
      });
    }
  }

  /** Today as the office sees it in the morning: on time, late, under way, not begun. */
  private thisDay(): void {
    const now = this.minute;
    const round = (minute: number): number => Math.round(minute / 5) * 5;
    const first = (who: string, names: readonly string[]): DemoSite[] => [
      ...names.flatMap((name) => SITES.filter((site) => site.name === name)),
      ...SITES.filter((site) => site.who === who && !names.includes(site.name)),
    ];
    const day = this.today;
    const done = (who: string, visit: PlannedVisit, begun: number): void => {
      const log = this.newSheet(who, day, 0, visit, begun);
      const author = this.author(who);
      log.sheet.fill(author, log.reading).finish(author);
      log.keep(log.sheet.entries, begun + Math.round(visit.minutes * 0.8));
    };
    const here = (who: string, visit: PlannedVisit, begun: number, until: number): void => {
      const log = this.newSheet(who, day, 0, visit, begun);
      log.sheet.fill(this.author(who), log.reading, { until });
      log.keep(log.sheet.entries, null);
    };
    const ahead = (who: string, visit: PlannedVisit): string => {
      const log = this.newSheet(who, day, 0, visit, visit.start);
      log.keep([], null, 'planned');
      return log.job;
    };
    const lay = (
      who: string,
      sites: readonly DemoSite[],
      starts: number,
      gap = 0,
    ): PlannedVisit[] => {
      const [one, ...rest] = planDay(sites, starts);
      return one ? [one, ...rest.map((v) => ({ ...v, start: v.start + gap }))] : [];
    };

    const imke = lay(
      'imke',
      first('imke', ['Harbour lift station', 'Gannet Head, upper cableway station']),
      450,
    );
    const shift = Math.max(0, round(now + 20) - (imke[1]?.start ?? 0));
    imke.forEach((visit, i) => {
      if (i === 0) return done('imke', visit, 451);
      const at = { ...visit, start: visit.start + shift };
      const job = ahead('imke', at);
      // The drive room and the boards of a station are done by two people together.
      if (i === 1) this.makePair(job, 'tove', day, at);
      return undefined;
    });
    lay(
      'tove',
      first('tove', ['Assembly hall boards', 'Rescue store boards']),
      round(now - 75),
    ).forEach((visit, i) =>
      i === 0 ? here('tove', visit, visit.start + 4, 0.5) : ahead('tove', visit),
    );
    const marn = lay(
      'marn',
      first('marn', ['Harbour clinic', 'Eider hut', 'Razorbill hut']),
      round(now - 110),
    );
    marn.forEach((visit, i) => {
      if (i === 0) done('marn', visit, visit.start + 12);
      else if (i === 1) ahead('marn', { ...visit, start: round(now - 35) });
      else
        ahead('marn', {
          ...visit,
          start: Math.max(visit.start, round(now + 30 + (i - 2) * 70)),
        });
    });
    lay(
      'rook',
      first('rook', ['Power house, turbine 2', 'Upper cistern', 'Skua spring intake']),
      round(now - 95),
    ).forEach((visit, i) =>
      i === 0
        ? done('rook', visit, visit.start + 2)
        : i === 1
          ? here('rook', visit, visit.start + 5, 0.3)
          : ahead('rook', visit),
    );
    lay('jory', first('jory', ['Lantern stairs', 'Puffin steps']), round(now - 20)).forEach(
      (visit, i) => (i === 0 ? here('jory', visit, visit.start + 1, 0) : ahead('jory', visit)),
    );
  }

  private dayAhead(ahead: number): void {
    const day = addDays(this.today, ahead);
    if (this.isSunday(day)) return;
    for (const who of this.walkers())
      for (const visit of planDay(this.sitesOf(who, HISTORY_DAYS + ahead)))
        this.newSheet(who, day, -ahead, visit, visit.start).keep([], null, 'planned');
  }

  private withoutPerson(): void {
    const wanted: readonly [string, number, number][] = [
      ['Quarry path', 0, 13 * 60],
      ['School house boards', 0, 14 * 60],
      ['Heron spring', 1, 9 * 60],
      ['Shag Rock hut', 1, 10 * 60],
    ];
    for (const [name, ahead, start] of wanted) {
      const site = SITES.find((each) => each.name === name);
      if (!site) continue;
      const visit = { site, start, minutes: 45 };
      this.newSheet(null, addDays(this.today, ahead), 0, visit, start).keep([], null, 'planned');
    }
  }
}
