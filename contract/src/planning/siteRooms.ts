/** What a room without a name is called. */
export const NO_ROOM = 'Without a room';
export const roomName = (room: string): string => (room === '' ? NO_ROOM : room);
