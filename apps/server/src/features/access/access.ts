import type { Permission } from '@semita/core/contract';
import type { Actor } from '../accounts/session-service.ts';
import type { Relations } from './relations.ts';

/** Whether somebody may do something with a thing: whether they stand to it in one of the ways that are enough. */
export type MayDo = (actor: Actor, permission: Permission, id: string) => boolean;

export const createAccess =
  (relationsTo: Relations): MayDo =>
  (actor, { thing, by }, id) =>
    relationsTo[thing](actor, id).some((relation) => by.includes(relation));
