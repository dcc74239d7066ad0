/** IRIs of the ADL vocabulary and of the xAPI Video Profile 1.0; from memory of what is published. */
const adl = 'http://adlnet.gov/expapi';
const video = 'https://w3id.org/xapi/video';

const verb = (id: string, word: string) => ({ id, display: { 'en-US': word } });

export const verbs = {
  initialized: verb(`${adl}/verbs/initialized`, 'initialized'),
  resumed: verb(`${adl}/verbs/resumed`, 'resumed'),
  suspended: verb(`${adl}/verbs/suspended`, 'suspended'),
  terminated: verb(`${adl}/verbs/terminated`, 'terminated'),
  completed: verb(`${adl}/verbs/completed`, 'completed'),
  answered: verb(`${adl}/verbs/answered`, 'answered'),
  scored: verb(`${adl}/verbs/scored`, 'scored'),
  experienced: verb(`${adl}/verbs/experienced`, 'experienced'),
  played: verb(`${video}/verbs/played`, 'played'),
  paused: verb(`${video}/verbs/paused`, 'paused'),
  seeked: verb(`${video}/verbs/seeked`, 'seeked'),
} as const;

export const activityTypes = {
  lesson: `${adl}/activities/lesson`,
  media: `${adl}/activities/media`,
  module: `${adl}/activities/module`,
  interaction: `${adl}/activities/cmi.interaction`,
  video: `${video}/activity-type/video`,
} as const;

export const videoCategory = { objectType: 'Activity', id: video } as const;

const extension = (name: string) => `${video}/extensions/${name}`;
export const videoExtensions = {
  time: extension('time'),
  timeFrom: extension('time-from'),
  timeTo: extension('time-to'),
  progress: extension('progress'),
  playedSegments: extension('played-segments'),
  sessionId: extension('session-id'),
  length: extension('length'),
  threshold: extension('completion-threshold'),
  speed: extension('speed'),
} as const;
