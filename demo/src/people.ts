/** Everybody in the demo school. All invented. */
export const teacher = { id: 'demo-adaeze', displayName: 'Ms. Adaeze Lindqvist', email: 'adaeze@quillhaven.example' };

export const schoolName = 'Quillhaven School';
export const timeZone = 'Europe/Stockholm';
export const demoPassword = 'a bridge of paper';

export const amber = { id: 'demo-amber', name: '8 Amber Design & Engineering' };
export const cobalt = { id: 'demo-cobalt', name: '8 Cobalt Design & Engineering' };

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
