package zapateo.server.figures;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Own figures in PostgreSQL. */
@Mapper
interface FigureMapper {

    @Select("select owner, id, file, version, created_at, updated_at from own_figure where owner = #{owner} and "
            + "deleted_at is null order by created_at, id")
    List<FigureRow> all(@Param("owner") UUID owner);

    /** Those that were deleted too: their names stay taken. */
    @Select("select owner, id, file, version, created_at, updated_at from own_figure where owner = #{owner} order "
            + "by created_at, id")
    List<FigureRow> allEver(@Param("owner") UUID owner);

    @Select("select owner, id, file, version, created_at, updated_at from own_figure where owner = #{owner} and id "
            + "= #{id} and deleted_at is null")
    Optional<FigureRow> find(@Param("owner") UUID owner, @Param("id") String id);

    @Insert("insert into own_figure (owner, id, file, version, created_at, updated_at) values (#{owner}, #{id}, "
            + "#{file}, #{version}, #{createdAt}, #{updatedAt})")
    void insert(FigureRow figure);

    /** @return 1, or 0 when it no longer has the version */
    @Update("update own_figure set file = #{file}, version = version + 1, updated_at = #{at} where owner = #{owner} "
            + "and id = #{id} and version = #{version} and deleted_at is null")
    int update(
            @Param("owner") UUID owner,
            @Param("id") String id,
            @Param("version") int version,
            @Param("file") String file,
            @Param("at") OffsetDateTime at);

    @Update("update own_figure set deleted_at = #{at} where owner = #{owner} and id = #{id} and deleted_at is null")
    int delete(@Param("owner") UUID owner, @Param("id") String id, @Param("at") OffsetDateTime at);

    @Insert("insert into own_figure_text (owner, hash, file) values (#{owner}, #{hash}, #{file}) on conflict do "
            + "nothing")
    void keepText(@Param("owner") UUID owner, @Param("hash") UUID hash, @Param("file") String file);

    @Select("select file from own_figure_text where owner = #{owner} and hash = #{hash}")
    Optional<String> text(@Param("owner") UUID owner, @Param("hash") UUID hash);
}
