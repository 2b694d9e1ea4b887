export { writeCalendar, type CalendarEvent } from './calendar';
export { dayEvents } from './days';
export { jobWindowEvents, windowEvents, type WindowPlace } from './windows';
