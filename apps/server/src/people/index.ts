export { allowDevice, changeCode, listDevices, signInByCode, withdrawDevice } from './bench-code.js';
export { insertPerson } from './person.js';
export { addPerson, changePerson, endSession, endSessions, listPeople, listSessions, makeLink, passphraseByLink } from './rights.js';
export { changePassphrase, health, listNames, ready, savePreferences, session, signIn, signOut } from './routes.js';
export { sessionStore, whoAsks } from './session-store.js';
export { SESSIONS_CHANNEL, sessionStands } from './sessions.js';
