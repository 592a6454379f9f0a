export { calendarAddress, dayCalendar, makeCalendarAddress, subscribedCalendar, withdrawCalendarAddress } from './routes.js';
