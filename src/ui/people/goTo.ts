/** To another page as if it were opened anew: what this one knows of whoever was here is forgotten. */
export const goTo = (path: string): void => window.location.assign(path)
