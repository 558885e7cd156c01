/** What "it" and "them" stand for in the words of a step. */

/** "it" and "them" stand for the last thing something was done to, where the number agrees. */
export const withObject = (label: string, object: string | null): string => {
  return object === null || /^See to it\b/.test(label)
    ? label
    : label.replace(/s$/.test(object) ? /(?<=\s)them\b/ : /(?<=\s)it\b/, `the ${object}`)
}
