import type { Cut } from '@kelbrin/core/solid';
import { hexOf, LEVEL_MM, MOST_COLOURS, type ColourBands } from '@kelbrin/core/colours';
import { Color, DoubleSide, MeshLambertMaterial, Plane, ShaderMaterial, Vector3 } from 'three';

/** Hatching in the manner of technical drawing: parallel lines across the screen, whatever the surface's direction. */
const hatching = /* glsl */ `
  float hatchLine(float spacing, float width) {
    float across = mod(gl_FragCoord.x + gl_FragCoord.y, spacing);
    return step(across, width);
  }
`;

/** The heights at which the colour changes, and into which. */
const changeUniforms = () => ({
  changeMm: { value: Array.from({ length: MOST_COLOURS - 1 }, () => NEVER_MM) },
  changeColour: { value: Array.from({ length: MOST_COLOURS - 1 }, () => new Color()) },
});

/** A change at this height is above every part, mm. */
const NEVER_MM = 1e9;

/** The material of a part, and what gives it its colours. */
export interface PartMaterial {
  readonly material: MeshLambertMaterial;
  /** In the colour of its filament, #rrggbb, or in those that it is wished in from the plate up. */
  paint(filament: string, colours: ColourBands): void;
}

/**
 * The part's material. Triangles of a marked step are lightened towards the primary colour; those of a finding are
 * hatched, so that their colour is still seen; hidden ones are left out.
 */
export function partMaterial(cut: Plane): PartMaterial {
  const material = new MeshLambertMaterial({
    side: DoubleSide,
    clippingPlanes: [cut],
    flatShading: true,
  });
  const uniforms = changeUniforms();
  material.onBeforeCompile = (shader) => {
    shader.uniforms.markColour = { value: new Color('#f2d88a') };
    shader.uniforms.failColour = { value: new Color('#b5402a') };
    shader.uniforms.warnColour = { value: new Color('#b87503') };
    Object.assign(shader.uniforms, uniforms);
    shader.vertexShader = shader.vertexShader
      .replace(
        '#include <common>',
        '#include <common>\nattribute float tone;\nvarying float vTone;\nvarying float vHeightMm;',
      )
      .replace('#include <begin_vertex>', '#include <begin_vertex>\nvTone = tone;\nvHeightMm = position.z;');
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        `#include <common>
        varying float vTone;
        uniform vec3 markColour;
        uniform vec3 failColour;
        uniform vec3 warnColour;
        varying float vHeightMm;
        uniform float changeMm[${MOST_COLOURS - 1}];
        uniform vec3 changeColour[${MOST_COLOURS - 1}];
        ${hatching}`,
      )
      .replace(
        '#include <color_fragment>',
        `#include <color_fragment>
        if (vTone > 3.5) discard;
        for (int i = 0; i < ${MOST_COLOURS - 1}; i++)
          if (vHeightMm >= changeMm[i]) diffuseColor.rgb = changeColour[i];
        if (vTone > 0.5 && vTone < 1.5) diffuseColor.rgb = mix(diffuseColor.rgb, markColour, 0.55);
        if (vTone > 1.5) {
          vec3 line = vTone > 2.5 ? warnColour : failColour;
          diffuseColor.rgb = mix(mix(diffuseColor.rgb, vec3(1.0), 0.55), line, hatchLine(9.0, 4.0));
        }`,
      );
  };
  return {
    material,
    paint(filament, [first, ...changes]) {
      material.color.set(first ? hexOf(first.colour) : filament);
      uniforms.changeMm.value.forEach((_, i, all) => {
        all[i] = changes[i] ? changes[i].fromMm + LEVEL_MM : NEVER_MM;
        if (changes[i]) uniforms.changeColour.value[i].set(hexOf(changes[i].colour));
      });
    },
  };
}

/** The material of a surface whose corners have colours of their own. */
export function paintMaterial(cut: Plane): MeshLambertMaterial {
  return new MeshLambertMaterial({
    vertexColors: true,
    side: DoubleSide,
    clippingPlanes: [cut],
    flatShading: true,
  });
}

/** The face of a section: ink lines on white. */
export function sectionMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    side: DoubleSide,
    vertexShader: 'void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }',
    fragmentShader: `${hatching}
      void main() {
        gl_FragColor = vec4(mix(vec3(1.0, 0.99, 0.97), vec3(0.13, 0.19, 0.18), hatchLine(8.0, 1.2)), 1.0);
      }`,
  });
}

/** A plane that cuts nothing off yet. */
export function cutPlane(): Plane {
  return new Plane(new Vector3(0, 0, -1), 1e6);
}

/** Has a plane cut off what hides the section from the corner that parts are seen from: above it, before it or right of it. */
export function cutOff(plane: Plane, cut: Cut | undefined): void {
  if (cut?.across === 'x') plane.set(new Vector3(-1, 0, 0), cut.atMm);
  else if (cut?.across === 'y') plane.set(new Vector3(0, 1, 0), -cut.atMm);
  else plane.set(new Vector3(0, 0, -1), cut?.atMm ?? 1e6);
}
