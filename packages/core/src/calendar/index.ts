export { endOfDay, isTimeZone, toInstant, toLocal } from './local-time.ts';
