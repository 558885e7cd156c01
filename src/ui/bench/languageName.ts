const names = new Intl.DisplayNames('en', { type: 'language' })
/** A language by its English name; its tag where it has none. */
export const nameOf = (language: string): string => {
  try {
    return names.of(language) ?? language
  } catch {
    // No tag at all, as an old figure may have: it is shown as it is.
    return language
  }
}
