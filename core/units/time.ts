/** Hours in a year as failure rates and energy count it (365.25 days). */
export const hoursPerYear = 8766
/** kWh that one watt uses in a year. */
export const kWhPerWattYear = hoursPerYear / 1000
export const monthsPerYear = 12
