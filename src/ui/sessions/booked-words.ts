/** How many are booked, and whether there is room for more. */
export function bookedWords(of: {
  booked: number;
  waiting: number;
  roomFor: number | null;
}): string {
  const { booked, waiting, roomFor } = of;
  if (roomFor === null) return `${booked} booked`;
  if (waiting > 0) return `${booked} booked, ${waiting} waiting for room`;
  return booked < roomFor
    ? `${booked} booked, room for ${roomFor - booked} more`
    : `${booked} booked, full`;
}
