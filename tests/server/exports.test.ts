import { parse } from 'csv-parse/sync';
import { NOW, note, testApp } from './test-app';

const { ask } = testApp();

/** Undoes the line folding of RFC 5545, 3.1. */
const unfold = (ics: string): string[] => ics.replace(/\r\n[ \t]/g, '').split('\r\n');

describe('the log as CSV (RFC 4180)', () => {
  test('reads back as the log it was written from', async () => {
    const { text, headers } = await ask.get('/api/jobs/demo-job-20/log.csv').expect(200);
    expect(headers['content-type']).toMatch(/text\/csv/);
    expect(headers['content-disposition']).toBe('attachment; filename=job-1020-log.csv');
    const rows = parse(text, { columns: true, record_delimiter: '\r\n' }) as Record<
      string,
      string
    >[];
    const { entries } = (await ask.get('/api/jobs/demo-job-20')).body;
    expect(rows).toHaveLength(entries.length);
    rows.forEach((row, i) => {
      expect(Number(row.seq)).toBe(entries[i].seq);
      expect(row.kind).toBe(entries[i].kind);
      expect(JSON.parse(row.data!)).toEqual(entries[i].data);
    });
  });

  test('quotes, line breaks and formulas in a note stay text', async () => {
    const { job } = (await ask.get('/api/jobs/demo-job-21')).body;
    const said = 'He said "no",\nthen: fine';
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({
        expectedSeq: job.lastSeq,
        entries: [note(said), note('x', { who: '=HYPERLINK("http://example.invalid")' })],
      })
      .expect(201);
    const { text } = await ask.get('/api/jobs/demo-job-21/log.csv');
    const rows = parse(text, { columns: true, record_delimiter: '\r\n' }) as Record<
      string,
      string
    >[];
    expect(rows.at(-2)!.says).toBe(`Note: ${said}`);
    expect(rows.at(-1)!.who!.startsWith("'=")).toBe(true);
  });

  test('what was undone is marked as not standing', async () => {
    const { job } = (await ask.get('/api/jobs/demo-job-22')).body;
    const target = note('gone');
    await ask
      .post('/api/jobs/demo-job-22/entries')
      .send({
        expectedSeq: job.lastSeq,
        entries: [target, { ...note('x'), kind: 'undo', data: { entryId: target.id } }],
      })
      .expect(201);
    const rows = parse((await ask.get('/api/jobs/demo-job-22/log.csv')).text, {
      columns: true,
    }) as Record<string, string>[];
    expect(rows.find((r) => r.id === target.id)?.stands).toBe('no');
    expect(rows[0]?.stands).toBe('yes');
  });
});

describe('rechecks as iCalendar (RFC 5545)', () => {
  test('all-day events with what every event needs', async () => {
    const { text, headers } = await ask.get('/api/jobs/demo-job-20/rechecks.ics').expect(200);
    expect(headers['content-type']).toMatch(/text\/calendar/);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const lines = unfold(text);
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines).toContain('VERSION:2.0');
    expect(lines.filter((l) => l === 'BEGIN:VEVENT')).toHaveLength(2);
    for (const needed of [
      'UID:',
      'DTSTAMP:',
      'DTSTART;VALUE=DATE:',
      'DTEND;VALUE=DATE:',
      'SUMMARY:',
    ])
      expect(lines.filter((l) => l.startsWith(needed))).toHaveLength(2);
    const opened = new Date(NOW - 9 * 86_400_000);
    const nextDay = new Date(opened.getTime() + 86_400_000)
      .toISOString()
      .slice(0, 10)
      .replaceAll('-', '');
    expect(lines).toContain(`DTSTART;VALUE=DATE:${nextDay}`);
    expect(lines.find((l) => l.startsWith('SUMMARY:'))).toMatch(
      /^SUMMARY:Pressure\\, cold: (front|rear)/,
    );
  });
});

describe('the job card as PDF', () => {
  const card = async (path: string) =>
    (
      await ask
        .get(path)
        .buffer(true)
        .parse((res, done) => {
          const chunks: Buffer[] = [];
          res.on('data', (c: Buffer) => chunks.push(c));
          res.on('end', () => done(null, Buffer.concat(chunks)));
        })
        .expect(200)
    ).body as Buffer;

  test('is a whole PDF with its fonts in it', async () => {
    const pdf = (await card('/api/jobs/demo-job-20/card.pdf')).toString('latin1');
    expect(pdf.startsWith('%PDF-1.')).toBe(true);
    expect(pdf.trimEnd().endsWith('%%EOF')).toBe(true);
    expect(pdf.includes('/FontFile')).toBe(true);
    expect(pdf).toContain('(Job 1020: Rear wheel, Vellan Strada 700)');
  });

  test.each([1, 2, 8, 21, 22])('can be printed at any time: job %d', async (i) => {
    expect((await card(`/api/jobs/demo-job-${i}/card.pdf`)).length).toBeGreaterThan(5000);
  });

  test('units that do not exist are refused', async () => {
    const { body } = await ask.get('/api/jobs/demo-job-20/card.pdf?pressure=atm').expect(422);
    expect(body.error).toMatchObject({
      field: 'pressure',
      expected: 'Choose one of psi, kPa, bar',
    });
  });
});
