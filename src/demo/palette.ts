/** The colours of Fennel Halt: forty-odd, shared by all its art. Ramps run from dark to light. */
export const STONE = ['#3b3a3f', '#57545a', '#73706f', '#8f8a82', '#aaa394', '#c4bca8'] as const;
export const TIMBER = ['#33251f', '#4c362a', '#674a36', '#835f43', '#9e7653', '#b98f68'] as const;
export const SLATE = ['#2c323b', '#3d4651', '#515c68', '#687480', '#828d96'] as const;
export const IRON = ['#1f2226', '#30353a', '#454b51', '#5f666b', '#7e8587', '#a3a9a6'] as const;
export const RUST = ['#4a2620', '#6d3527', '#914931', '#b0603c', '#c97f53'] as const;
export const MOSS = ['#28331f', '#3a4a2a', '#506237', '#6b7d47', '#8a9a5c', '#adb87a'] as const;
export const PINE = ['#16262a', '#1f3635', '#2c4a43', '#3d6052'] as const;
export const EARTH = ['#3a3128', '#524537', '#6b5b48', '#85745c', '#a08e72'] as const;
export const HILL = ['#39495a', '#4a5d6c', '#5f7480', '#788d93'] as const;
export const SKY = ['#5d6f98', '#7484a6', '#9399b0', '#b8afb5', '#d9c3ae', '#efd3a0'] as const;
export const CREAM = ['#b9a98a', '#d6c8a8', '#efe6cb'] as const;
export const FLAME = ['#f2a64a', '#f8c878', '#fde7b4'] as const;
export const SIGNAL = ['#7c2a22', '#a9392b', '#d05a41'] as const;
export const TIN = ['#4a5154', '#687174', '#8b9394', '#b0b7b3', '#d3d7cf'] as const;
