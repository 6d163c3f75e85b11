import type { Person } from '@ant-trail/contract/accounts';
import type { ReportData } from '../data.ts';

/** Words a report is written in: names for ids, dates as people say them. */
export class Say {
  private readonly people: ReadonlyMap<string, Person>;

  constructor(private readonly data: ReportData) {
    this.people = new Map(data.people.map((person) => [person.id, person]));
  }

  name(person: string | null): string {
    return (person && this.people.get(person)?.name) || 'nobody yet';
  }

  person(id: string | null): Person | undefined {
    return id === null ? undefined : this.people.get(id);
  }

  /** "Monday 23 November 2026, 08:44" at the site. */
  moment(instant: string): string {
    return `${this.format(instant, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })}, ${this.time(instant)}`;
  }

  time(instant: string): string {
    return this.format(instant, {
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
  }

  day(day: string): string {
    return new Intl.DateTimeFormat('en-GB', {
      day: 'numeric',
      month: 'long',
      year: 'numeric',
      timeZone: 'UTC',
    }).format(new Date(`${day}T00:00:00Z`));
  }

  private format(instant: string, options: Intl.DateTimeFormatOptions): string {
    return new Intl.DateTimeFormat('en-GB', {
      ...options,
      timeZone: this.data.timeZone,
    }).format(new Date(instant));
  }
}
