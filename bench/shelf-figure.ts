import { startSchool } from '../apps/server/src/test/harness.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const lessonCount = 2_000;
const materialCount = 5_000;

/** The rows behind both lists, as SQLite alone gives them. */
const lessonRowsSql = `
  select l.id, l.version, l.updated_at, s.*, e.number, e.draft_version
  from lessons l
  left join lesson_summaries s on s.lesson_id = l.id
  left join editions e on e.lesson_id = l.id
  where l.owner_id = ? order by l.updated_at desc`;
const materialRowsSql = `
  select m.*, c.cue_count, d.made is not null
  from materials m
  left join captions c on c.material_id = m.id
  left join decks d on d.material_id = m.id
  where m.owner_id = ? and m.removed_at is null order by m.created_at desc`;
const useRowsSql = `
  select u.material_id, l.id, s.title
  from material_uses u
  join lessons l on l.id = u.draft_of
  join lesson_summaries s on s.lesson_id = l.id`;

/** The shelf of a teacher who has worked with it for years, read as the use-cases read it. */
export async function measureShelf(): Promise<Figure[]> {
  const school = await startSchool();
  const adaeze = { id: 'adaeze', roles: ['teacher'] as const, schoolId: 'quillhaven', displayName: 'adaeze' };
  const { lessons, materials } = school.services;
  const { $client } = school.db;
  $client.pragma('synchronous = OFF');
  for (let i = 0; i < materialCount; i++) school.addMaterial(`film-${i}`, 60_000);
  for (let i = 0; i < lessonCount; i++) lessons.create(adaeze, `film-${i}`);
  const [lessonRows, materialRows, useRows] = [lessonRowsSql, materialRowsSql, useRowsSql].map((text) =>
    $client.prepare(text),
  );
  if (lessons.list(adaeze).length !== lessonCount || materials.list(adaeze).length !== materialCount)
    throw new Error('The shelf of the benchmark is not the one it should be.');
  const ratio = await medianRatio(
    7,
    () => timeOf(() => [lessons.list(adaeze), materials.list(adaeze)]),
    () => timeOf(() => [lessonRows?.all('adaeze'), materialRows?.all('adaeze'), useRows?.all()]),
  );
  await school.stop();
  const name = 'Shelf of 2,000 lessons and 5,000 materials ÷ SQLite reading its rows';
  return [{ name, ratio, goal: 4, better: 'lower' }];
}
