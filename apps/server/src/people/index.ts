export { insertPerson } from './person.js';
export { addPerson, changePassphrase, health, listNames, listPeople, ready, savePreferences, session, signIn, signOut } from './routes.js';
export { sessionStore, whoAsks } from './session-store.js';
export { SESSIONS_CHANNEL, sessionStands } from './sessions.js';
