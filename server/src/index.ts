export { archiveCompany, takeInArchive } from './archive/byHand';
export { createApp, type AppOptions } from './app';
export { MIGRATIONS, NotForUs, migrate, openDatabase, type Database } from './db/database';
export { addCompany, inviteOwner, type WayIn } from './people/addCompany';
export { loadDemo } from './files/loadDemo';
export { serve, type ServeOptions, type Serving } from './serve';
