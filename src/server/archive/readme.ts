/** What an archive says of itself. */
export const readme = ({ name, now }: { name: string; now: number }): string => `${name}
as Up Beat had it at ${new Date(now).toISOString()}

This is one studio in open formats. Nothing but this file is needed to read it.

studio.json          name, time zone, what new classes begin with, how long things are kept
teachers.csv         accounts, without passwords
classes.csv          classes; each as a plan in classes/ (JSON)
class-versions.csv   their earlier versions; each in class-versions/
moves.csv            moves of the studio's own; each in moves/ (JSON)
people.csv           people on the register, what they carry, and when they agreed to have it kept
bookings.csv         who is booked on which class, since when, and since when again
session-bookings.csv who comes to one session only, cannot come to it, or is in line for it only since then
series.csv           sessions planned together, by their rule (RFC 5545)
closed-days.csv      days on which nothing meets
sessions.csv         every session: when, where, by whom, held, planned or cancelled
pauses.csv           days on which somebody is not expected
days-off.csv         days that somebody took off from their practice
practice.csv         practice at home
streak-rules.csv     what streaks are counted by, and from which day on
home-classes.csv     which class somebody was given to do at home
programmes.csv       programmes: by which rule, for how many weeks
enrolments.csv       who is in which programme, and since when
check-ins.csv        how it feels to somebody after so many weeks, kept with their consent
former-people.csv    ids that somebody had before they were joined with another entry, or erased
attendance.csv       the register: here, late, absent or excused, when they came and left
register-changes.csv what was changed in it after a session was closed, by whom and when
nameless-marks.csv   marks of people who were erased, as numbers
notes.csv            what to watch in how somebody does a move
runs.csv             sessions as they were led; the score of each in runs/ (JSON)
run-events.csv       everything that happened while they were led, in order
answered-questions.csv  parked questions that were answered
recordings.csv       cues in a teacher's own voice; each in recordings/ (WAV)
music.csv            music of the studio's own; each piece in music/ (MP3)
said-words.csv       words of the studio that are to be said in a way of their own
talk.csv             how long a teacher took over the cues of a class

Tables are CSV (RFC 4180) in UTF-8, the first line names the columns. Times are UTC (ISO 8601). An empty cell
stands for nothing. A cell that a spreadsheet could take for a formula has an apostrophe in front.

What is in here is about people. Keep it as carefully as the studio does, and follow the rules of the place
you work in. Letters, passwords, sign-ins and addresses of feeds are not in it.

Another Up Beat takes it in under "Your studio", as long as that studio is still empty.
`;
