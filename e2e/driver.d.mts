import type { Driver } from 'selenium-webdriver/chrome.js'
export function startBrowser(size?: {
  width?: number
  height?: number
}): Promise<{ driver: Driver; downloads: string; close: () => Promise<void> }>
