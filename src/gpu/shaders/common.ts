/** Pieces that several programs share. Places are scene px from the view's corner; rows run from the top. */
export const HEADER = `#version 300 es
precision highp float;
precision highp int;
precision highp sampler2D;
`;

/** A box in output pixels to clip space; row 0 of every target is the top of the picture. */
export const TO_CLIP = `
uniform vec2 u_targetPx;
uniform vec2 u_targetOrigin;
vec4 toClip(vec2 outputPx) { return vec4((outputPx - u_targetOrigin) / u_targetPx * 2.0 - 1.0, 0.0, 1.0); }
`;

/** The scene place of the fragment's centre. */
export const PLACE = `
uniform float u_outputPerScenePx;
uniform vec2 u_origin;
vec2 place() { return (gl_FragCoord.xy + u_origin) / u_outputPerScenePx; }
`;
