/** Questions that lay out a method: {@link keentally.core.starter.Starter} looks at a picture and answers with the steps to begin with. */
package keentally.core.starter;
