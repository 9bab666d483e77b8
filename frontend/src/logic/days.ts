/** The Monday a new home week starts on, as YYYY-MM-DD: today if it is one, else the next. */
export function nextMonday(now: Date): string {
  const day = new Date(now.getFullYear(), now.getMonth(), now.getDate() + ((8 - now.getDay()) % 7))
  return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`
}
