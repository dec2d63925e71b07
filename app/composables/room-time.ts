/** Times of the print room in words: hours after the midnight of the day on which it was planned. */
import { addMinutes, format, parseISO } from 'date-fns'

export const timeAt = (planned: string, hours: number): Date =>
  addMinutes(parseISO(`${planned.slice(0, 10)}T00:00`), Math.round(hours * 60))

export const dayAndHour = (planned: string, hours: number): string =>
  format(timeAt(planned, hours), 'EEE HH:mm')

export const dayName = (planned: string, hours: number): string => format(timeAt(planned, hours), 'EEE d')
