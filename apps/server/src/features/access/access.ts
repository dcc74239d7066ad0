import type { Permission } from '@semita/core/contract';
import type { Actor } from '../accounts/session-service.ts';
import type { Relations } from './relations.ts';

/** Whether somebody may do something with a thing: whether they stand to it in one of the ways that are enough. */
export const createAccess =
  (relationsTo: Relations) =>
  (actor: Actor, { thing, by }: Permission, id: string): boolean =>
    relationsTo[thing](actor, id).some((relation) => by.includes(relation));
