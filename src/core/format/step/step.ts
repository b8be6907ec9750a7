import { paintOf, rgbOf, type Colour } from '../../body/colours';
import { turn, type Point3 } from '../../geometry/point';
import type { Brep } from '../../geometry/brep';
import { brepOf } from '../../geometry/solid-brep';
import type { Assembly, Material, Shape, Stand } from '../../geometry/solid';
import { writeBoundary, placement } from './boundary';
import { ExchangeFile, list, quoted, real } from './exchange';

const ORIGIN: Point3 = { x: 0, y: 0, z: 0 };
const UP: Point3 = { x: 0, y: 0, z: 1 };
const DOWN: Point3 = { x: 0, y: 0, z: -1 };
const RIGHT: Point3 = { x: 1, y: 0, z: 0 };
const LEFT: Point3 = { x: -1, y: 0, z: 0 };

/** What of a file everything else refers to. */
interface Common {
  readonly file: ExchangeFile;
  readonly productContext: string;
  readonly definitionContext: string;
  readonly units: string;
  readonly origin: string;
}

/** A product: its definition, and its shape with the place it is put by. */
export interface Product {
  readonly definition: string;
  readonly representation: string;
}

/**
 * Writes solids as a STEP file (ISO 10303-21) by the application protocol AP214: one product for
 * each shape in each colour, put together by an assembly. The same solids give the same text.
 * Lengths in mm.
 * @param name of the assembly
 * @param colours of the materials
 */
export function writeStep(
  assembly: Assembly,
  name: string,
  colours: Readonly<Record<Material, Colour>>,
): string {
  const writer = new StepWriter();
  writer.assembly(assembly, name, colours);
  return writer.text(name, 'Component body; Z = 0 is the laminate surface');
}

/** Something that stands in an assembly, and where. */
export interface Instance {
  readonly name: string;
  readonly product: Product;
  readonly stand: Stand;
}

/** Writes products and assemblies of them into one file. Lengths in mm. */
export class StepWriter {
  readonly #common = begin(new ExchangeFile());
  readonly #styled: string[] = [];

  /** A solid in a colour. */
  solid(boundary: Brep, name: string, colour: Colour): Product {
    const { file, origin, units } = this.#common;
    const solid = writeBoundary(file, boundary, name);
    this.#styled.push(styledItem(file, solid, colour));
    const items = list([origin, solid]);
    return addProduct(
      this.#common,
      name,
      file.add(`ADVANCED_BREP_SHAPE_REPRESENTATION('',${items},${units})`),
    );
  }

  /** Shapes in their colours where they stand; equal ones are one product. */
  assembly({ shapes, parts }: Assembly, name: string, colours: Readonly<Record<Material, Colour>>): Product {
    const kinds = new Map<string, Product>();
    return this.group(
      name,
      parts.map((part): Instance => {
        const { shape } = part;
        const paint = paintOf(part, colours);
        const kind = `${shape} ${part.material} ${paint}`;
        const product = kinds.get(kind) ?? this.solid(brepOf(shapes[shape] as Shape), shape, paint);
        kinds.set(kind, product);
        return { name: part.name, product, stand: part };
      }),
    );
  }

  /** Products where they stand. */
  group(name: string, instances: readonly Instance[]): Product {
    const { file, origin, units } = this.#common;
    const places = instances.map(({ stand }) => placementOf(file, stand));
    const items = list([origin, ...new Set(places)]);
    const whole = addProduct(this.#common, name, file.add(`SHAPE_REPRESENTATION('',${items},${units})`));
    instances.forEach(({ name: own, product }, i) =>
      addInstance(this.#common, own, i + 1, product, whole, places[i] as string),
    );
    return whole;
  }

  /** The file. @param about what it holds, in words */
  text(name: string, about: string): string {
    const { file, units } = this.#common;
    if (this.#styled.length > 0)
      file.add(`MECHANICAL_DESIGN_GEOMETRIC_PRESENTATION_REPRESENTATION('',${list(this.#styled)},${units})`);
    return file.text([
      `FILE_DESCRIPTION((${quoted(about)}),'2;1')`,
      // no time of writing: the same document gives the same file
      `FILE_NAME(${quoted(`${name}.step`)},'1970-01-01T00:00:00',(''),(''),'Tapis','Tapis','')`,
      `FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'))`,
    ]);
  }
}

/** Where a part stands, as its Z and X axes. */
function placementOf(file: ExchangeFile, { at, rotation, flipped }: Stand): string {
  const across = turn(flipped ? LEFT : RIGHT, rotation);
  return placement(file, at, flipped ? DOWN : UP, { ...across, z: 0 });
}

function begin(file: ExchangeFile): Common {
  const application = file.add(`APPLICATION_CONTEXT('core data for automotive mechanical design processes')`);
  file.add(
    `APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,${application})`,
  );
  const length = file.add('(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))');
  const angle = file.add('(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))');
  const solidAngle = file.add('(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())');
  const uncertainty = file.add(
    `UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(${real(1e-6)}),${length},'distance_accuracy_value','')`,
  );
  const units = file.add(
    `(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT(${list([uncertainty])})GLOBAL_UNIT_ASSIGNED_CONTEXT(${list([length, angle, solidAngle])})REPRESENTATION_CONTEXT('',''))`,
  );
  return {
    file,
    productContext: file.add(`PRODUCT_CONTEXT('',${application},'mechanical')`),
    definitionContext: file.add(`PRODUCT_DEFINITION_CONTEXT('part definition',${application},'design')`),
    units,
    origin: placement(file, ORIGIN, UP, RIGHT),
  };
}

function addProduct(
  { file, productContext, definitionContext }: Common,
  name: string,
  representation: string,
): Product {
  const product = file.add(`PRODUCT(${quoted(name)},${quoted(name)},'',${list([productContext])})`);
  file.add(`PRODUCT_RELATED_PRODUCT_CATEGORY('part',$,${list([product])})`);
  const formation = file.add(`PRODUCT_DEFINITION_FORMATION('','',${product})`);
  const definition = file.add(`PRODUCT_DEFINITION('design','',${formation},${definitionContext})`);
  const shape = file.add(`PRODUCT_DEFINITION_SHAPE('','',${definition})`);
  file.add(`SHAPE_DEFINITION_REPRESENTATION(${shape},${representation})`);
  return { definition, representation };
}

/** Puts a product at a place of another. */
function addInstance(
  { file, origin }: Common,
  name: string,
  number: number,
  part: Product,
  whole: Product,
  place: string,
): void {
  const use = file.add(
    `NEXT_ASSEMBLY_USAGE_OCCURRENCE('${number}',${quoted(name)},'',${whole.definition},${part.definition},$)`,
  );
  const shape = file.add(`PRODUCT_DEFINITION_SHAPE('','',${use})`);
  const move = file.shared(`ITEM_DEFINED_TRANSFORMATION('','',${origin},${place})`);
  const relation = file.add(
    `(REPRESENTATION_RELATIONSHIP('','',${part.representation},${whole.representation})REPRESENTATION_RELATIONSHIP_WITH_TRANSFORMATION(${move})SHAPE_REPRESENTATION_RELATIONSHIP())`,
  );
  file.add(`CONTEXT_DEPENDENT_SHAPE_REPRESENTATION(${relation},${shape})`);
}

/** A solid in a colour. */
function styledItem(file: ExchangeFile, solid: string, colour: Colour): string {
  const rgb = file.shared(`COLOUR_RGB('',${rgbOf(colour).map(real).join(',')})`);
  const fill = file.shared(`FILL_AREA_STYLE_COLOUR('',${rgb})`);
  const area = file.shared(`FILL_AREA_STYLE('',${list([fill])})`);
  const surface = file.shared(`SURFACE_STYLE_FILL_AREA(${area})`);
  const side = file.shared(`SURFACE_SIDE_STYLE('',${list([surface])})`);
  const usage = file.shared(`SURFACE_STYLE_USAGE(.BOTH.,${side})`);
  const style = file.shared(`PRESENTATION_STYLE_ASSIGNMENT(${list([usage])})`);
  return file.add(`STYLED_ITEM('',${list([style])},${solid})`);
}
