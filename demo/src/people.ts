/** Everybody in the demo school. All invented. */
export const teacher = { id: 'demo-adaeze', displayName: 'Ms. Adaeze Lindqvist', email: 'adaeze@quillhaven.example' };

/** Teaches 8 Amber with her. */
export const coTeacher = { id: 'demo-idris', displayName: 'Mr. Idris Vallmark', email: 'idris@quillhaven.example' };
/** Stands in for her in 8 Cobalt these days. */
export const substitute = { id: 'demo-petra', displayName: 'Ms. Petra Okonjo', email: 'petra@quillhaven.example' };
/** Looks after the school. */
export const admin = { id: 'demo-runa', displayName: 'Ms. Runa Achterlund', email: 'runa@quillhaven.example' };
/** Has the code of 8 Amber, and asks to be let in. */
export const newcomer = 'Ludo Ferreira-Stark';

export const schoolName = 'Quillhaven School';
export const timeZone = 'Europe/Stockholm';
export const demoPassword = 'a bridge of paper';

export const amber = {
  id: 'demo-amber',
  name: '8 Amber Design & Engineering',
  shape: 'arch',
  colour: 'marigold',
} as const;
export const cobalt = {
  id: 'demo-cobalt',
  name: '8 Cobalt Design & Engineering',
  shape: 'hexagon',
  colour: 'slate',
} as const;

export const amberStudents = [
  'Aisling Okonjo-Reyes',
  'Bakari Thorsdal',
  'Chiara Nandakumar',
  'Dagny Abebe',
  'Emeka Vallgren',
  'Farah Lindholt',
  'Goran Achterberg',
  'Hana Quispe',
  'Ibrahim Sollander',
  'Jia Mbeki-Holm',
  'Kofi Brannström',
  'Leilani Draganov',
  'Mateusz Owusu',
  'Noor Halvorsen-Ito',
  'Oskar Tamrat',
  'Priya Felgenhauer',
  'Quentin Adeyemi-Lund',
  'Rosalba Nyqvist',
  'Samir Kettunen',
  'Tuva Marchetti-Bui',
  'Uche Sandstedt',
  'Valentina Rask',
  'Wanjiru Ekdahl',
  'Xiomara Berglind',
  'Yusuf Palmqvist',
  'Zofia Anand',
];

export const cobaltStudents = [
  'Alma Hernqvist-Diaz',
  'Benedikt Osei',
  'Carmela Ljungdahl',
  'Dmitri Asante',
  'Elif Borgström',
  'Fabio Nakagawa-Ek',
  'Greta Mwangi',
  'Hassan Lövdahl',
  'Ingrid Castellanos',
  'Jonas Wickramage',
  'Kaija Romero',
  'Lamar Stenmark',
  'Mirela Fagerlund',
  'Nils Adomako',
  'Olena Skarpnäs',
  'Pilar Hedvall',
  'Ravi Tennfors',
  'Sunniva Okeke',
  'Tariq Engelbrekt',
  'Ulrika Banerji',
  'Vusi Almhöjd',
  'Wren Kovalenko-Ström',
  'Yara Dahlbeck',
  'Zeno Abrahamsdotter',
];

/** adaeze.lindqvist for Ms. Adaeze Lindqvist: letters only, accents off. */
export function userNameOf(displayName: string): string {
  return displayName
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z]+/g, '.');
}
