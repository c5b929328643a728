package org.jalousie.bucket;

import java.net.URI;
import org.gaul.s3proxy.AuthenticationType;
import org.gaul.s3proxy.S3Proxy;
import org.gaul.s3proxy.nio2blob.TransientNio2BlobProviderMetadata;
import org.jclouds.ContextBuilder;
import org.jclouds.blobstore.BlobStore;
import org.jclouds.blobstore.BlobStoreContext;

/** An S3 server that keeps everything in its memory and knows one key, for as long as it runs. */
public final class BucketServer {
    private BucketServer() {}

    /** @param arguments the port on loopback, the key's name, its secret, and the buckets that are there */
    public static void main(String[] arguments) throws Exception {
        BlobStore store = ContextBuilder.newBuilder(new TransientNio2BlobProviderMetadata())
                .credentials("nobody", "nothing")
                .buildView(BlobStoreContext.class)
                .getBlobStore();
        for (int i = 3; i < arguments.length; i++) store.createContainerInLocation(null, arguments[i]);
        S3Proxy server = S3Proxy.builder()
                .blobStore(store)
                .endpoint(URI.create("http://127.0.0.1:" + arguments[0]))
                .awsAuthentication(AuthenticationType.AWS_V4, arguments[1], arguments[2])
                .build();
        server.start();
        System.out.println("ready");
        Thread.currentThread().join();
    }
}
