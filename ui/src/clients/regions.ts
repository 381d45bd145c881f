// Holiday calendars by country, with the regions that have days of their own, named in the reader's language.
const COUNTRIES =
  'ar at au be bg br ca ch cl co cr cz de dk ec ee es fi fr gb gr hk hr hu ie il is it jp kr li lt lu lv ma mt mx my nl no nz pe ph pl pt ro rs se sg si sk tr ua us ve vn za'.split(
    ' ',
  )
const REGIONS: Record<string, string> = {
  au_vic: 'Australia, Victoria',
  au_nsw: 'Australia, New South Wales',
  au_qld: 'Australia, Queensland',
  de_be: 'Germany, Berlin',
  de_by: 'Germany, Bavaria',
  de_hh: 'Germany, Hamburg',
  de_nw: 'Germany, North Rhine-Westphalia',
  us_co: 'United States, Colorado',
  us_ny: 'United States, New York',
  us_ca: 'United States, California',
  pt_li: 'Portugal, Lisbon',
  gb_sct: 'United Kingdom, Scotland',
  gb_nir: 'United Kingdom, Northern Ireland',
  ca_qc: 'Canada, Quebec',
  ca_on: 'Canada, Ontario',
}

/** @param current a code that must be in the list, whatever it is */
export function regions(current = ''): { code: string; name: string }[] {
  const names = new Intl.DisplayNames(['en'], { type: 'region' })
  const countries = COUNTRIES.map((code) => ({ code, name: names.of(code.toUpperCase()) ?? code }))
  const parts = Object.entries(REGIONS).map(([code, name]) => ({ code, name }))
  const all = [...countries, ...parts]
  if (current && !all.some((one) => one.code === current)) all.push({ code: current, name: current })
  return all.sort((one, other) => one.name.localeCompare(other.name))
}
