/** Ground line of the halt and top of the platform, scene px. */
export const GROUND_Y = 224;
export const PLATFORM_Y = 193;
