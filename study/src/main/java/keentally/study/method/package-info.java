/** Methods as files of JSON, and the hash that tells one method from another. */
package keentally.study.method;
