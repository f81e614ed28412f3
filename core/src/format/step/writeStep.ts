import type { Box, SolidMesh, Vec3 } from '../../mesh/index.ts';
import { Entities, listed, quoted, real } from './entities.ts';
import { FaceWriter } from './faceWriter.ts';
import { shellsOf } from './shells.ts';

/** A part as it is written: its solid, what it is called, and the colour that it is printed in first. */
export interface StepPart {
  readonly mesh: SolidMesh;
  readonly name: string;
  /** `#rrggbb`. */
  readonly colour?: string;
  /** Where it stands in an assembly, mm. */
  readonly at?: Vec3;
}

/** Corners that are nearer than this are one, mm, as readers are told. */
const UNCERTAINTY_MM = 0.01;

/**
 * Parts as a file of ISO 10303-21 by application protocol 214: solids bounded by planes, cylinders, cones, spheres and
 * tori where their surfaces are such, in millimetres, with names and colours. Several parts are an assembly.
 *
 * @param about the name of the whole, and when it is written
 * @throws RangeError where the mesh of a part is not closed
 */
export function writeStep(parts: readonly StepPart[], about: { name: string; at: Date }): string {
  const entities = new Entities();
  const context = contextOf(entities);
  const written = parts.map((part) => writePart(entities, context, part));
  if (written.length > 1) assemble(entities, context, about.name, parts, written);
  return `ISO-10303-21;
HEADER;
FILE_DESCRIPTION((${quoted('solids of Kelbrin')}),'2;1');
FILE_NAME(${quoted(about.name)},'${about.at.toISOString().slice(0, 19)}',(''),(''),'Kelbrin','Kelbrin','');
FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 3 1 1 }'));
ENDSEC;
DATA;
${entities.toString()}
ENDSEC;
END-ISO-10303-21;
`;
}

interface Context {
  readonly application: string;
  readonly units: string;
}

function contextOf(entities: Entities): Context {
  const application = entities.add(
    `APPLICATION_CONTEXT('core data for automotive mechanical design processes')`,
  );
  entities.add(
    `APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,${application})`,
  );
  const length = entities.add('(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))');
  const angle = entities.add('(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))');
  const solidAngle = entities.add('(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())');
  const uncertainty = entities.add(
    `UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(${real(UNCERTAINTY_MM)}),${length},'distance_accuracy_value','')`,
  );
  const units = entities.add(
    `(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((${uncertainty}))GLOBAL_UNIT_ASSIGNED_CONTEXT((${length},${angle},${solidAngle}))REPRESENTATION_CONTEXT('',''))`,
  );
  return { application, units };
}

/** A product as others refer to it: its definition and what represents it. */
interface Product {
  readonly definition: string;
  readonly representation: string;
  readonly place: string;
}

const ORIGIN: Vec3 = [0, 0, 0];

function writePart(entities: Entities, context: Context, part: StepPart): Product {
  const solids = solidsOf(entities, part);
  if (part.colour) colour(entities, context, solids, part.colour);
  const place = entities.place(ORIGIN, [0, 0, 1], [1, 0, 0]);
  const representation = entities.addNew(
    `ADVANCED_BREP_SHAPE_REPRESENTATION(${quoted(part.name)},${listed([place, ...solids])},${context.units})`,
  );
  return { ...productOf(entities, context, part.name, representation), representation, place };
}

function productOf(
  entities: Entities,
  { application }: Context,
  name: string,
  representation: string,
): { definition: string } {
  const product = entities.addNew(
    `PRODUCT(${quoted(name)},${quoted(name)},'',(${entities.add(`PRODUCT_CONTEXT('',${application},'mechanical')`)}))`,
  );
  entities.addNew(`PRODUCT_RELATED_PRODUCT_CATEGORY('part',$,(${product}))`);
  const formation = entities.addNew(`PRODUCT_DEFINITION_FORMATION('','',${product})`);
  const design = entities.add(`PRODUCT_DEFINITION_CONTEXT('part definition',${application},'design')`);
  const definition = entities.addNew(`PRODUCT_DEFINITION('design','',${formation},${design})`);
  const shape = entities.addNew(`PRODUCT_DEFINITION_SHAPE('','',${definition})`);
  entities.addNew(`SHAPE_DEFINITION_REPRESENTATION(${shape},${representation})`);
  return { definition };
}

function assemble(
  entities: Entities,
  context: Context,
  name: string,
  parts: readonly StepPart[],
  products: readonly Product[],
): void {
  const root = entities.place(ORIGIN, [0, 0, 1], [1, 0, 0]);
  const places = parts.map(({ at = ORIGIN }) =>
    entities.addNew(
      `AXIS2_PLACEMENT_3D('',${entities.point(at)},${entities.direction([0, 0, 1])},${entities.direction([1, 0, 0])})`,
    ),
  );
  const representation = entities.addNew(
    `SHAPE_REPRESENTATION(${quoted(name)},${listed([root, ...places])},${context.units})`,
  );
  const { definition } = productOf(entities, context, name, representation);
  products.forEach((product, i) => {
    const use = entities.addNew(
      `NEXT_ASSEMBLY_USAGE_OCCURRENCE('${i + 1}',${quoted(parts[i].name)},'',${definition},${product.definition},$)`,
    );
    const shape = entities.addNew(`PRODUCT_DEFINITION_SHAPE('','',${use})`);
    const move = entities.addNew(`ITEM_DEFINED_TRANSFORMATION('','',${product.place},${places[i]})`);
    const relation = entities.addNew(
      `(REPRESENTATION_RELATIONSHIP('','',${product.representation},${representation})REPRESENTATION_RELATIONSHIP_WITH_TRANSFORMATION(${move})SHAPE_REPRESENTATION_RELATIONSHIP())`,
    );
    entities.addNew(`CONTEXT_DEPENDENT_SHAPE_REPRESENTATION(${relation},${shape})`);
  });
}

function colour(entities: Entities, context: Context, solids: readonly string[], hex: string): void {
  const share = (at: number) => real(Number.parseInt(hex.slice(at, at + 2), 16) / 255);
  const rgb = entities.add(`COLOUR_RGB('',${share(1)},${share(3)},${share(5)})`);
  const fill = entities.add(`FILL_AREA_STYLE_COLOUR('',${rgb})`);
  const area = entities.add(`FILL_AREA_STYLE('',(${fill}))`);
  const side = entities.add(`SURFACE_STYLE_FILL_AREA(${area})`);
  const style = entities.add(`SURFACE_SIDE_STYLE('',(${side}))`);
  const usage = entities.add(`SURFACE_STYLE_USAGE(.BOTH.,${style})`);
  const assignment = entities.add(`PRESENTATION_STYLE_ASSIGNMENT((${usage}))`);
  const styled = solids.map((solid) => entities.addNew(`STYLED_ITEM('color',(${assignment}),${solid})`));
  entities.addNew(
    `MECHANICAL_DESIGN_GEOMETRIC_PRESENTATION_REPRESENTATION('',${listed(styled)},${context.units})`,
  );
}

/** The solids of a part, one for each body; what is hollow has its hollows inside. */
function solidsOf(entities: Entities, { mesh, name }: StepPart): string[] {
  const writer = new FaceWriter(entities);
  const shells = shellsOf(mesh).map((shell) => ({
    ...shell,
    entity: entities.addNew(`CLOSED_SHELL('',${listed(shell.faces.map((face) => writer.face(face)))})`),
  }));
  const solids = shells.filter(({ isHollow }) => !isHollow);
  return solids.map((solid) => {
    // A hollow belongs to the smallest body around it.
    const hollows = shells.filter(
      (each) =>
        each.isHollow &&
        contains(solid, each) &&
        !solids.some((other) => other !== solid && contains(solid, other) && contains(other, each)),
    );
    if (hollows.length === 0) return entities.addNew(`MANIFOLD_SOLID_BREP(${quoted(name)},${solid.entity})`);
    const voids = hollows.map(({ entity }) => entities.addNew(`ORIENTED_CLOSED_SHELL('',*,${entity},.F.)`));
    return entities.addNew(`BREP_WITH_VOIDS(${quoted(name)},${solid.entity},${listed(voids)})`);
  });
}

function contains(a: Box, b: Box): boolean {
  return [0, 1, 2].every((axis) => a.min[axis] <= b.min[axis] && a.max[axis] >= b.max[axis]);
}
