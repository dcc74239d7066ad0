// What stands on the server from outside: the demo school, the benchmarks.
export { type AppOptions, createApp } from './app.ts';
export { inTransaction } from './db/open.ts';
export * as tables from './db/schema.ts';
export type { Deps } from './deps.ts';
export type { DemoPerson } from './features/accounts/account-routes.ts';
export { hashPassword } from './features/accounts/password.ts';
export type { Actor } from './features/accounts/session-service.ts';
export { openInstallation } from './installation.ts';
export { serve } from './serve.ts';
export { createServices, type Services } from './services.ts';
