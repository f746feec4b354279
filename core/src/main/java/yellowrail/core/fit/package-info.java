/** Makers' published operations, how well a tube model meets them, and the fit of a model to them. */
package yellowrail.core.fit;
