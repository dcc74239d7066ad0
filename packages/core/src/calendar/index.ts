export { endOfDay, toInstant, toLocal } from './local-time.ts';
