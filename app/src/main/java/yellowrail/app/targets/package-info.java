/** Which targets an amp can aim at. */
package yellowrail.app.targets;
