/** Output transformers as things of their own: described in versions, measured, fitted to an amp or on the shelf. */
package yellowrail.app.transformers;
